import { writePlace, type Happened } from '@orbis/contract';
import type { HistoryRow } from '../store/history.ts';
import { serializeChange } from './changes.ts';

/** Something that happened, as it crosses the wire. */
export const serializeHappened = ({ at, change, by, ...seen }: HistoryRow): Happened => ({
  at: at.toISOString(),
  change: change && serializeChange(change),
  by,
  seen: change ? null : serializeSeen(seen),
});

function serializeSeen({
  embed,
  site,
  path,
  spot,
  was,
  state,
}: Omit<HistoryRow, 'at' | 'change' | 'by'>): Happened['seen'] {
  if (embed === null || site === null || path === null || spot === null) return null;
  return { embed, place: writePlace({ site, path, spot }), was: was!, state: state! };
}
