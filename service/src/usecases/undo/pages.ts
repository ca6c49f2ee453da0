import { OrbisError } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { deletePages, findSite, pagesWithSpots } from '../../store/places.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import { summarize } from '../summarize.ts';

/**
 * Takes pages that were added together out again; those that are no longer there are out already.
 * @throws OrbisError `in-use` where one of them has spots
 */
export async function undoPages(
  tx: Handle,
  { after }: Extract<ChangeEffect, { of: 'pages' }>,
): Promise<null> {
  const site = await findSite(tx, after.site);
  if (!site) return null;
  const used = await pagesWithSpots(tx, site.id, after.paths);
  if (used.length > 0)
    throw new OrbisError('in-use', {
      what: 'page',
      key: summarize(used.map((path) => `${after.site}/${path}`)),
      by: 'it has spots',
    });
  await deletePages(tx, site.id, after.paths);
  return null;
}
