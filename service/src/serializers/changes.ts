import { formatChange, lastingKinds, type Change, type ChangeFacts } from '@orbis/contract';
import type { ChangeRow } from '../store/change-log.ts';

/** Something that was done, as it is listed. */
export const serializeChange = (row: ChangeRow): Change => ({
  id: row.publicId,
  kind: row.kind,
  said: formatChange(row.facts),
  embeds: embedCount(row.facts),
  lasting: lastingKinds.includes(row.kind),
  createdAt: row.createdAt.toISOString(),
  undoneAt: row.undoneAt?.toISOString() ?? null,
});

const embedCount = (facts: ChangeFacts): number =>
  'count' in facts ? facts.count : 'embed' in facts ? 1 : 0;
