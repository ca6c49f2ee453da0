import { writePlace, type Happened } from '@orbis/contract';
import type { HistoryRow } from '../store/history.ts';
import { serializeChange } from './changes.ts';

/** Something that happened, as it crosses the wire. */
export const serializeHappened = ({ at, change, by, undoneBy, ...seen }: HistoryRow): Happened => ({
  at: at.toISOString(),
  change: change && serializeChange(change, namesIn(change, by, undoneBy)),
  by,
  seen: change ? null : serializeSeen(seen),
});

const namesIn = (
  { createdBy, undoneBy: undoer }: NonNullable<HistoryRow['change']>,
  by: string | null,
  undoneBy: string | null,
): Map<number, string> =>
  new Map([
    ...(createdBy === null || by === null ? [] : [[createdBy, by] as const]),
    ...(undoer === null || undoneBy === null ? [] : [[undoer, undoneBy] as const]),
  ]);

function serializeSeen({
  embed,
  site,
  path,
  spot,
  was,
  state,
}: Omit<HistoryRow, 'at' | 'change' | 'by' | 'undoneBy'>): Happened['seen'] {
  if (embed === null || site === null || path === null || spot === null) return null;
  return { embed, place: writePlace({ site, path, spot }), was: was!, state: state! };
}
