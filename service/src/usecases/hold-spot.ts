import { OrbisError, parsePlace } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { lockPage, lockSpot } from '../store/gone-places.ts';
import type { Actor } from '../store/embeds.ts';
import type { PageOfRegister } from '../store/placements.ts';
import { findSpot, insertOffered, type FoundSpot, type SpotRow } from '../store/spots.ts';
import { pageKeyOf } from '../serializers/places.ts';

/**
 * Holds a page with a spot of it for the rest of the transaction, so that nothing is placed there while it is
 * removed. What the page has by a shared spot alone gets a row of its own. Call it before anything is read.
 * @returns the spot’s row.
 * @throws OrbisError `not-found` where it is removed by now
 */
export async function holdSpot(
  tx: Handle,
  on: PageOfRegister & { spot: Pick<FoundSpot, 'name'> },
  actor: Actor,
): Promise<SpotRow> {
  const key = pageKeyOf(on);
  const place = `${key}#${on.spot.name}`;
  if (!(await lockPage(tx, on.page.id))) throw new OrbisError('not-found', { what: 'page', key });
  const found = async () => (await findSpot(tx, parsePlace(place)))?.spot ?? null;
  const spot = await found();
  if (spot && !spot.row) await insertOffered(tx, on.page.id, spot, actor);
  const row = spot && (spot.row ?? (await found())?.row);
  if (!row || !(await lockSpot(tx, row.id))) throw new OrbisError('not-found', { what: 'spot', key: place });
  return row;
}
