import { plural, type EmbedSummary, type Harvest } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { fold, levelColour, table } from '../text.ts';

/** What was found on a page, and what was taken of it just now. */
export function describeHarvest(
  found: Harvest,
  taken: readonly EmbedSummary[],
  { colours, io }: Tools,
): string {
  const where = found.title ?? found.address ?? 'The page';
  if (found.items.length === 0)
    return `${where}: no embed was found on it.\n${formatFindings(found, { colours, io })}`;
  const rows = found.items.map((item) => [
    String(item.number),
    item.name,
    item.kind,
    item.heading ?? '–',
    String(item.line),
    item.level ?? 'none',
    stateOf(item),
  ]);
  const left = found.items.filter(({ state, own }) => state === 'offered' && !own).length;
  const next =
    taken.length > 0
      ? `Collected ${taken.map(({ key }) => colours.bold(key)).join(', ')}.\n`
      : left > 0
        ? `“orbis harvest ${found.id} --take all” collects what is new; --take 1 3 only these.\n`
        : 'All of it is in the collection.\n';
  const own = found.items.some((item) => item.own && item.state === 'offered')
    ? 'Your own files are left out by “all”: name their numbers to collect them as well.\n'
    : '';
  return `${colours.bold(where)}\n${plural(found.items.length, 'embed')} on it.\n\n${table(['', 'name', 'kind', 'under', 'line', 'worst finding', ''], rows, colours)}${formatFindings(found, { colours, io })}\n${next}${own}`;
}

function stateOf({ state, embed, own, sharesWith }: Harvest['items'][number]): string {
  if (state !== 'offered') return `${state === 'taken' ? 'taken as' : 'known as'} ${embed}`;
  if (own) return 'your own file';
  return sharesWith > 0 ? `new, shares a script with ${sharesWith}` : 'new';
}

const formatFindings = ({ findings }: Harvest, { colours, io }: Pick<Tools, 'colours' | 'io'>): string =>
  findings
    .map(
      (finding) =>
        `\n${levelColour(finding.level, colours)(finding.level)} ${colours.dim(`${finding.rule}, line ${finding.line}, column ${finding.column}`)}\n${fold(finding.message, io.width, '  ')}${fold(finding.remedy, io.width, '  ')}`,
    )
    .join('');
