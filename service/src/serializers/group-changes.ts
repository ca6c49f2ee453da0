import type { GroupChange } from '@orbis/contract';
import type { GroupChangeRow } from '../store/group-changes.ts';

/** A change of many embeds, as it is listed. */
export const serializeChange = (row: GroupChangeRow): GroupChange => ({
  id: row.publicId,
  where: row.search,
  said: row.said,
  embeds: row.embeds,
  createdAt: row.createdAt.toISOString(),
  undoneAt: row.undoneAt?.toISOString() ?? null,
});
