import { spoken, type PagePlan, plural } from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { fold } from '../text.ts';

export const addPlan: AddCommand = (program, run) => {
  program
    .command('plan')
    .argument('<page>', 'site and path, such as hollinfell/talks; the home page is hollinfell/')
    .description('show what a page needs, all of its placements together, in the order of the work')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis plan hollinfell/visit\n  orbis plan hollinfell/ --json\n\nOf what several codes need, each thing stands once: in the head with “orbis site SITE head=yes”, else at the first place.\n“orbis code EMBED PLACE” hands one place out, with its number.',
    )
    .action((page: string) =>
      run(async (tools) => {
        const { data } = await tools.client().call('pages.plan', { params: { page } });
        tools.tell(data, () => describePlan(data, tools));
        return data.findings.some(({ level }) => level === 'error') ? 1 : 0;
      }),
    );
};

function describePlan({ page, snippets, steps, findings }: PagePlan, { colours, io }: Tools): string {
  if (snippets.length === 0) return `Nothing is placed on ${page} yet: “orbis place EMBED ${page}#SPOT” does.\n`;
  const parts = steps.map(({ digest, place }, i) => {
    const { position, text, placements } = snippets.find((snippet) => snippet.digest === digest)!;
    const where = place === null ? `${spoken.positions[position]}, for ${plural(placements.length, 'placement')}` : place;
    return `${colours.bold(`${i + 1}. ${where}`)}\n${text.trim()}\n`;
  });
  const told = findings.map(({ message, remedy }) => `${colours.red('error')} ${fold(`${message} ${remedy}`, io.width, '  ').trim()}\n`);
  return [...parts, ...told].join('\n');
}
