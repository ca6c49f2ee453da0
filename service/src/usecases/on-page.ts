import type { Handle } from '../database/connect.ts';
import { issuedDigests, issuedElsewhere } from '../store/issued.ts';
import { standingInHead } from '../store/site-heads.ts';
import { leavingOn, type PageOfRegister, type StoredPlacement } from '../store/placements.ts';
import { sharedSpotsOf } from '../store/shared-spots.ts';
import { isWanted, placeOf, type OnPage } from './page-plan.ts';
import { roomOf } from './spots.ts';

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
  const ended = await leavingOn(db, [page.id]);
  const seen = [
    ...there.map(({ id, placement: { seenDelivery } }) => ({ id, seenDelivery })),
    ...ended,
  ].flatMap(({ id, seenDelivery }) =>
    seenDelivery === null ? [] : [{ placementId: id, number: seenDelivery }],
  );
  const digests = await issuedDigests(db, seen);
  const elsewhere = await issuedElsewhere(db, seen);
  return {
    rooms: await roomsOf(db, site.id, rows),
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

/* Where a shared spot says how large a spot is, that holds. */
async function roomsOf(
  db: Handle,
  siteId: number,
  rows: readonly StoredPlacement[],
): Promise<OnPage['rooms']> {
  const isShared = rows.some(({ spot }) => spot.shared);
  const shared = new Map(
    (isShared ? await sharedSpotsOf(db, [siteId]) : []).map((each) => [each.name, each]),
  );
  return new Map(rows.map(({ spot }) => [spot.id, roomOf((spot.shared && shared.get(spot.name)) || spot)]));
}
