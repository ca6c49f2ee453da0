import { OrbisError } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { lockPage } from '../store/gone-places.ts';
import { pageKeyOf } from '../serializers/places.ts';
import type { PageOfRegister } from '../store/placements.ts';

/**
 * Holds a page for the rest of the transaction, so that nothing is placed on it while it is removed.
 * @throws OrbisError `not-found` where it is removed by now
 */
export async function holdPage(tx: Handle, on: PageOfRegister): Promise<void> {
  if (!(await lockPage(tx, on.page.id)))
    throw new OrbisError('not-found', { what: 'page', key: pageKeyOf(on) });
}
