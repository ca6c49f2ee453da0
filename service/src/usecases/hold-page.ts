import { OrbisError } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { pageWithSite } from '../store/gone-places.ts';
import { pageKeyOf } from '../serializers/places.ts';

/**
 * Holds a page for the rest of the transaction, so that nothing is placed on it while it is removed.
 * @throws OrbisError `not-found` where it is removed by now
 */
export async function holdPage(tx: Handle, pageId: number): Promise<void> {
  const found = await pageWithSite(tx, pageId);
  if (found?.page.goneAt === null) return;
  throw new OrbisError('not-found', { what: 'page', key: found ? pageKeyOf(found) : '' });
}
