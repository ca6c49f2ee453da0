import { plural, type ColoursFound } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { table } from '../text.ts';

export const addColours: AddCommand = (program, run) => {
  program
    .command('colours')
    .argument('<site>', 'its key')
    .option('--page <path>', 'the page that is read; without it the first one', '')
    .option('--keep', 'keep them with the site, to choose from, in the place of those that it has')
    .description('the ten colours that stand most often in the styles of a site')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis colours hollinfell\n  orbis colours hollinfell --page talks --keep\n\n“orbis change site hollinfell --colours "#2f6145, #f4efe6"” keeps those that you name.',
    )
    .action((site: string, { page, keep = false }: { page: string; keep?: boolean }) =>
      run(async (tools) => {
        const client = tools.client();
        const { data } = await client.call('sites.colours', { params: { site }, body: { path: page } });
        for (const { sheet, why } of data.unread) tools.note(`Not read: ${sheet}. ${why}\n`);
        if (keep) {
          const { etag } = await client.call('sites.read', { params: { site } });
          await client.call('sites.change', {
            params: { site },
            ifMatch: etag ?? '',
            body: { colours: data.colours.map(({ colour }) => colour) },
          });
        }
        tools.tell(
          data,
          () =>
            describe(data, tools.colours) +
            (keep && data.colours.length > 0 ? `\nThey are kept with ${site} now.\n` : ''),
        );
        return 0;
      }),
    );
};

function describe({ colours, page, sheets }: ColoursFound, paint: Parameters<typeof table>[2]): string {
  const read = `Read of ${page} and ${plural(sheets, 'style sheet')}.\n`;
  if (colours.length === 0) return `No colours stand there. ${read}`;
  return `${table(
    ['colour', 'uses', 'where'],
    colours.map(({ colour, uses, where }) => [colour, String(uses), where.slice(0, 3).join(', ')]),
    paint,
  )}\n${read}`;
}
