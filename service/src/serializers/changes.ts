import { formatChange, lastingKinds, type Change, type ChangeFacts } from '@orbis/contract';
import type { ChangeRow } from '../store/change-log.ts';

/** Something that was done, as it is listed; names are those of people by the ids of their rows. */
export const serializeChange = (row: ChangeRow, names: ReadonlyMap<number, string>): Change => ({
  id: row.publicId,
  kind: row.kind,
  said: formatChange(row.facts),
  embeds: embedCount(row.facts),
  lasting: lastingKinds.includes(row.kind),
  by: nameIn(names, row.createdBy),
  createdAt: row.createdAt.toISOString(),
  undoneAt: row.undoneAt?.toISOString() ?? null,
  undoneBy: nameIn(names, row.undoneBy),
});

/** The people whose names a change tells. */
export const peopleOfChange = ({ createdBy, undoneBy }: ChangeRow): (number | null)[] => [
  createdBy,
  undoneBy,
];

const nameIn = (names: ReadonlyMap<number, string>, id: number | null): string | null =>
  (id === null ? undefined : names.get(id)) ?? null;

const embedCount = (facts: ChangeFacts): number =>
  'count' in facts ? facts.count : 'embed' in facts ? 1 : 0;
