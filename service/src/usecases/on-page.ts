import type { Handle } from '../database/connect.ts';
import { issuedDigests } from '../store/issued.ts';
import { leavingOn, type PageOfRegister, type StoredPlacement } from '../store/placements.ts';
import { placeOf, type OnPage } from './page-plan.ts';

/** What a page carried when it was last read: of its placements, and of those that have ended. */
export async function onPage(db: Handle, { site, page }: PageOfRegister, rows: readonly StoredPlacement[]): Promise<OnPage> {
  const there = rows.flatMap(({ id, placement: { seen, seenDelivery } }) =>
    seenDelivery !== null && (seen === 'live' || seen === 'altered') ? [{ placementId: id, number: seenDelivery, isWhole: seen === 'live' }] : [],
  );
  const digests = await issuedDigests(db, there);
  return {
    carried: new Map(there.map(({ placementId, isWhole }) => [placementId, { digests: digests.get(placementId) ?? [], isWhole }])),
    leaving: (await leavingOn(db, page.id)).map(({ publicId, spot }) => ({ id: publicId, place: placeOf({ site, page, spot: { name: spot } }) })),
  };
}
