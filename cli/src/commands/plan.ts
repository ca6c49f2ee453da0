import { spoken, type PagePlan, plural } from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { describeHead } from '../describe/head.ts';
import { fold } from '../text.ts';

export const addPlan: AddCommand = (program, run) => {
  program
    .command('plan')
    .argument(
      '<page>',
      'site and path, such as hollinfell/talks; the home page is hollinfell/. A site alone shows its head',
    )
    .description('show what a page needs, all of its placements together, in the order of the work')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis plan hollinfell/visit\n  orbis plan hollinfell/ --json\n\nOf what several codes need, each thing stands once: in the head with “orbis change site SITE head=yes”, else at the first place.\n“orbis code EMBED PLACE” hands one place out, with its number.',
    )
    .action((page: string) =>
      run(async (tools) => {
        if (!page.includes('/')) {
          const { data } = await tools.client().call('heads.read', { params: { site: page } });
          tools.tell(data, () => describeHead(data, tools));
          return 0;
        }
        const { data } = await tools.client().call('pages.plan', { params: { page } });
        tools.tell(data, () => describePlan(data, tools));
        return data.findings.some(({ level }) => level === 'error') ? 1 : 0;
      }),
    );
};

function describePlan({ page, snippets, steps, findings, editor }: PagePlan, { colours, io }: Tools): string {
  if (steps.length === 0) return `Nothing is placed on ${page} yet: “orbis place EMBED ${page}#SPOT” does.\n`;
  const parts = steps.map(({ action, position, digest, place, text, fields }, i) => {
    const snippet = snippets.find((each) => each.digest === digest && each.position === position);
    const where = whereOf({ action, position, place }, snippet);
    const line = `${i + 1}. ${spoken.planActions[action]} – ${where}`;
    if (text !== null) return `${colours.bold(line)}\n${text.trim()}\n`;
    if (snippet === undefined || action === 'already-there')
      return `${action === 'already-there' ? colours.dim(line) : colours.bold(line)}\n`;
    const asked = fields.map(({ label, value }) => `${label}: ${value}\n`).join('');
    return `${colours.bold(line)}\n${snippet.text.trim()}\n${asked}`;
  });
  const told = findings.map(
    ({ level, message, remedy }) =>
      `${level === 'error' ? colours.red('error') : colours.yellow(level)} ${fold(`${message} ${remedy}`, io.width, '  ').trim()}\n`,
  );
  const open = steps.some(
    ({ action, position }) => position === 'spot' && (action === 'paste' || action === 'replace'),
  );
  const inSiteHead = steps.some(({ action, position }) => position === 'site-head' && action === 'paste');
  const hints = [
    ...(inSiteHead
      ? [`“orbis head ${page.split('/')[0]} --code” hands out what belongs into the head of the whole site.`]
      : []),
    ...(open
      ? [
          '“orbis code EMBED PLACE” hands the code of a place out: paste it from there, so that its number is kept and a sweep knows it.',
        ]
      : []),
  ].map((words) => fold(words, io.width, ''));
  const working = [editor.notes, spoken.editor.working(editor)].filter((words) => words !== '');
  return [
    ...working.map((words) => `${fold(words, io.width, '').trim()}\n`),
    ...parts,
    ...told,
    ...hints,
  ].join('\n');
}

type Step = PagePlan['steps'][number];

function whereOf(
  { action, position, place }: Pick<Step, 'action' | 'position' | 'place'>,
  snippet: PagePlan['snippets'][number] | undefined,
): string {
  if (position === 'file') return `${spoken.positions.file}: ${place}`;
  if (place !== null) return place;
  return action === 'take-out'
    ? `${spoken.positionsLeft[position]}, as nothing on this page needs it any more`
    : `${spoken.positions[position]}, for ${plural(snippet?.placements.length ?? 0, 'placement')}`;
}
