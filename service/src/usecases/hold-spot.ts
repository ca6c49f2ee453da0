import { OrbisError } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { lockPage, lockSpot } from '../store/gone-places.ts';
import { pageKeyOf } from '../serializers/places.ts';
import type { PageOfRegister } from '../store/placements.ts';
import type { SpotRow } from '../store/places.ts';

/**
 * Holds a page with a spot of it for the rest of the transaction, so that nothing is placed there while it is
 * removed.
 * @throws OrbisError `not-found` where it is removed by now
 */
export async function holdSpot(
  tx: Handle,
  on: PageOfRegister & { spot: Pick<SpotRow, 'id' | 'name'> },
): Promise<void> {
  const key = pageKeyOf(on);
  if (!(await lockPage(tx, on.page.id))) throw new OrbisError('not-found', { what: 'page', key });
  if (!(await lockSpot(tx, on.spot.id)))
    throw new OrbisError('not-found', { what: 'spot', key: `${key}#${on.spot.name}` });
}
