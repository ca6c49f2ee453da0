import type { HitReport } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { hitPages, hitsSince } from '../store/hits.ts';
import { addressesOf, knownPaths } from '../store/places.ts';
import { placementById } from './placements.ts';

const days = 30;
const mostPages = 50;

/**
 * Where the document of a placement was shown in the last thirty days, as browsers say.
 * @throws OrbisError `not-found`
 */
export async function readHits(db: Handle, id: string, now: Date): Promise<HitReport> {
  const { id: placementId, site } = await placementById(db, id);
  const since = new Date(now.getTime() - (days - 1) * 86_400_000).toISOString().slice(0, 10);
  const pages = await hitPages(db, placementId, { since, most: mostPages });
  const paths = new Map(pages.map(({ page }) => [page, pathOn(addressesOf(site), page)]));
  const known = await knownPaths(
    db,
    site.id,
    [...paths.values()].filter((path) => path !== null),
  );
  return {
    since,
    times: await hitsSince(db, placementId, since),
    pages: pages.map(({ page, times, lastDay }) => {
      const path = paths.get(page) ?? null;
      const isSite = path === '';
      return {
        page: page === '' ? null : page,
        times,
        lastDay,
        // A site alone says no page.
        registered: page === '' || isSite ? null : path !== null && known.has(path),
      };
    }),
  };
}

/* The path of a page on a site, as pages have it; null where it is elsewhere. */
function pathOn(addresses: readonly string[], page: string): string | null {
  const root = addresses
    .map((address) => address.replace(/\/$/, ''))
    .find((each) => page === each || page.startsWith(`${each}/`));
  return root === undefined ? null : page.slice(root.length + 1);
}
