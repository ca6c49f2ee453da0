import { formatSeen, plural, spoken, type PlacementState, type Sweep, type SweepPage } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { fold, levelColour, table } from '../text.ts';
import { colourState } from './state.ts';

/** Whether a sweep saw something that is not as it should be. */
export const needsAttention = ({ state, counts, unreachable }: Sweep, pages: readonly SweepPage[]): boolean =>
  state !== 'done' ||
  unreachable > 0 ||
  pages.some(({ seen }) => seen.some(({ findings }) => findings.some(({ level }) => level !== 'note'))) ||
  Object.entries(counts).some(([name, count]) => name !== 'live' && name !== 'planned' && count > 0);

/** What a sweep saw, page by page. */
export function describeSweep(sweep: Sweep, pages: readonly SweepPage[], { colours, io }: Tools): string {
  const rows = pages.flatMap((page) => {
    const name = page.state === 'unreachable' ? `${page.page} ${colours.red('(not read)')}` : page.page;
    return page.seen.length === 0
      ? [[name, '–', '–', 'nothing is placed here']]
      : page.seen.map((seen, i) => [
          i === 0 ? name : '',
          seen.spot,
          seen.embed,
          sweep.at === null ? colourState(seen.state, colours) : formatSeen(seen.state, sweep),
        ]);
  });
  const findings = pages.flatMap((page) => [
    ...(page.state === 'read' ? page.findings : []).map((finding) => ({ ...finding, where: page.page })),
    ...page.seen.flatMap((seen) =>
      seen.findings.map((finding) => ({ ...finding, where: `${seen.embed} in ${page.page}` })),
    ),
  ]);
  const told = findings.map(
    (f) =>
      `\n${levelColour(f.level, colours)(f.level)} ${colours.dim(f.where)}\n${fold(f.message, io.width, '  ')}${f.details.map((each) => fold(`- ${each}`, io.width, '  ')).join('')}${fold(f.remedy, io.width, '  ')}`,
  );
  const counts = Object.entries(sweep.counts)
    .filter(([, count]) => count > 0)
    .map(([state, count]) => `${String(count)} ${formatSeen(state as PlacementState, sweep)}`);
  const end =
    sweep.state === 'done'
      ? ''
      : `The sweep ${sweep.state === 'stopped' ? 'was stopped' : 'failed'} before its end. `;
  return `${table(['page', 'spot', 'embed', 'state'], rows, colours)}${told.join('')}\n${end}${plural(sweep.read, 'page')} read${sweep.unreachable ? `, ${sweep.unreachable} not` : ''}: ${counts.join(', ') || 'nothing is placed'}.\n${sweep.at === null ? '' : fold(spoken.readElsewhere(sweep.at), io.width, '')}`;
}
