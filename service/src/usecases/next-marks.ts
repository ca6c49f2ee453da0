import type { Mark, PagePlan } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { issuedDigests } from '../store/issued.ts';
import type { StoredPlacement } from '../store/placements.ts';

/**
 * The marks under which the placements of a plan would be handed out: that of the last delivery where nothing
 * differs, else the next one.
 */
export async function nextMarks(
  db: Handle,
  rows: readonly StoredPlacement[],
  { snippets }: Pick<PagePlan, 'snippets'>,
): Promise<Map<string, Mark>> {
  const issued = await issuedDigests(
    db,
    rows.flatMap(({ id, placement }) =>
      placement.issued === null ? [] : [{ placementId: id, number: placement.issued }],
    ),
  );
  return new Map(
    rows.map(({ id, placement: { publicId, issued: last } }) => {
      const planned = snippets
        .filter(({ placements }) => placements.includes(publicId))
        .map(({ digest }) => digest);
      const was = issued.get(id) ?? [];
      const isSame = was.length === planned.length && planned.every((digest) => was.includes(digest));
      return [publicId, { placement: publicId, delivery: isSame && last !== null ? last : (last ?? 0) + 1 }];
    }),
  );
}
