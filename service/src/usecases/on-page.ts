import type { Handle } from '../database/connect.ts';
import { issuedDigests, issuedElsewhere } from '../store/issued.ts';
import { standingInHead } from '../store/site-heads.ts';
import { leavingOn, type PageOfRegister, type StoredPlacement } from '../store/placements.ts';
import { isWanted, placeOf, type OnPage } from './page-plan.ts';

/**
 * What a page carried when it was last read: of its placements, of those that have ended, are paused or of
 * retired embeds.
 */
export async function onPage(
  db: Handle,
  { site, page }: PageOfRegister,
  rows: readonly StoredPlacement[],
): Promise<OnPage> {
  // A page that could not be read last time has most likely what it had before.
  const there = rows.filter(
    ({ placement: { seen, lastSeenAt } }) => lastSeenAt !== null && seen !== 'missing' && seen !== 'planned',
  );
  const ended = await leavingOn(db, page.id);
  const seen = [
    ...there.map(({ id, placement: { seenDelivery } }) => ({ id, seenDelivery })),
    ...ended,
  ].flatMap(({ id, seenDelivery }) =>
    seenDelivery === null ? [] : [{ placementId: id, number: seenDelivery }],
  );
  const digests = await issuedDigests(db, seen);
  const elsewhere = await issuedElsewhere(db, seen);
  return {
    inSiteHead: site.headKept.length === 0 ? [] : await standingInHead(db, site.id),
    carried: new Map(
      there.map(({ id, placement }) => [
        id,
        {
          digests: digests.get(id) ?? [],
          isWhole: placement.seen !== 'altered',
          byLink: placement.seenDelivery === null,
          elsewhere: elsewhere.get(id) ?? [],
        },
      ]),
    ),
    leaving: [
      ...there
        .filter((row) => !isWanted(row))
        .map((row) => ({
          id: row.placement.publicId,
          place: placeOf(row),
          elsewhere: elsewhere.get(row.id) ?? [],
        })),
      ...ended.map(({ id, publicId, spot }) => ({
        id: publicId,
        place: placeOf({ site, page, spot: { name: spot } }),
        elsewhere: elsewhere.get(id) ?? [],
      })),
    ],
  };
}
