import { formatState, isBlockPath, parsePage, spoken, type PageNews } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { colourState } from '../describe/state.ts';
import { fold, formatTimestamp } from '../text.ts';
import { every, limit } from '../things/every.ts';

export const addHistory: AddCommand = (program, run) => {
  program
    .command('history')
    .argument('<page>', 'site and path, such as hollinfell/talks')
    .description('what sweeps saw on a page, the newest first: only where it was something new')
    .addHelpText(
      'after',
      '\nExample:\n  orbis history hollinfell/talks\n\nWhat was done, and by whom, is in “orbis list changes”.',
    )
    .action((page: string) =>
      run(async (tools) => {
        if (isBlockPath(parsePage(page).path))
          throw new UsedWrongly('A block is read with the pages that show it: name one of these.');
        const items = await every((after) =>
          tools.client().call('sweeps.onPage', { params: { page }, query: { limit, after } }),
        );
        tools.tell(items, () =>
          items.length === 0
            ? `${page} has not been read yet. “orbis sweep ${page}” reads it.\n`
            : items.map((news) => describeNews(news, tools)).join(''),
        );
        return 0;
      }),
    );
};

/* One line for when it was, and one for each thing that was seen otherwise than before. */
function describeNews(news: PageNews, { colours, io }: Tools): string {
  const { at, state, why, seen, gone, findings: found, solved } = news;
  const head = colours.bold(formatTimestamp(at));
  if (state === 'unreachable') return `${head}\n  ${colours.red('could not be read')}: ${why ?? ''}\n`;
  if (seen.length + gone + found.length + solved.length === 0) return `${head}\n  nothing is placed here\n`;
  const lines = seen.map(({ embed, spot, was, state: is, findings }) => {
    const before = was === null || was === is ? '' : `${formatState(was)}, then `;
    const told = findings.flatMap(({ level, message, details }) => [
      fold(`${level}: ${message}`, io.width, '    '),
      ...details.map((each) => fold(`- ${each}`, io.width, '    ')),
    ]);
    return `  ${embed} in ${spot}: ${before}${colourState(is, colours)}\n${told.join('')}`;
  });
  const ended = gone === 0 ? '' : `  ${spoken.noLongerPlaced(gone)}\n`;
  const onPage = [
    ...found.map(({ level, message }) => fold(`${level}: ${message}`, io.width, '  ')),
    ...solved.map(({ message }) => fold(spoken.notSoAnyMore(message), io.width, '  ')),
  ];
  return `${head}\n${lines.join('')}${onPage.join('')}${ended}`;
}
