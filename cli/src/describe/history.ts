import { formatState, spoken, type Happened, type PageNews } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { fold } from '../text.ts';
import { colourState } from './state.ts';

/** Something that was done, or that a sweep saw of a placement, as a line. */
export function describeHappened(
  { change, by, seen }: Omit<Happened, 'at'>,
  { colours, io }: Pick<Tools, 'colours' | 'io'>,
): string {
  if (change) return fold(spoken.history.changed(change.said, by, change.undoneAt !== null), io.width, '  ');
  if (!seen) return '';
  return `  ${spoken.history.seen(seen)}: ${formatState(seen.was)}, then ${colourState(seen.state, colours)}\n`;
}

/** What a sweep saw on a page: a line for each thing that was seen otherwise than before. */
export function describeNews(news: PageNews, { colours, io }: Pick<Tools, 'colours' | 'io'>): string {
  const { state, why, seen, gone, findings: found, solved } = news;
  if (state === 'unreachable') return `  ${colours.red('could not be read')}: ${why ?? ''}\n`;
  if (seen.length + gone + found.length + solved.length === 0) return `  nothing is placed here\n`;
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
  return `${lines.join('')}${onPage.join('')}${ended}`;
}
