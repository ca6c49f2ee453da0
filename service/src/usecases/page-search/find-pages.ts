import { withoutSiteName } from '@orbis/core';
import { pageTitle, titleOfPath, type FoundPages } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { pageKeyOf } from '../../serializers/places.ts';
import { addressesOf, declaredAddresses, knownPaths } from '../../store/places.ts';
import { siteByKey } from '../places.ts';
import { byLinks } from './by-links.ts';
import { bySitemap } from './by-sitemap.ts';
import { collectPages } from './page-collection.ts';
import { pausing, type Searching } from './searching.ts';

/** How the pages of a site are looked for. */
export interface PageSearch {
  by: 'sitemap' | 'links';
  /** Where the sitemap is. */
  address?: string | undefined;
  most: number;
}

/**
 * Finds the pages of a site; nothing is kept.
 * @throws OrbisError `not-found`, `sitemap-missing`, `page-unreadable`; where whoever searched has gone, what
 * `signal` says.
 */
export async function findPages(
  key: string,
  { by, address, most }: PageSearch,
  { connection: { db }, fetching, reader }: Pick<Deps, 'connection' | 'fetching' | 'reader'>,
  { tell, signal }: Pick<Searching, 'tell'> & { signal: AbortSignal },
): Promise<FoundPages> {
  const site = await siteByKey(db, key);
  const declared = await declaredAddresses(db);
  const pages = collectPages(addressesOf(site), most);
  const searching = { site, declared, fetching, reader, tell, pause: pausing(signal) };
  await (by === 'links' ? byLinks(pages, searching) : bySitemap(pages, address, searching));
  const found = pages.found();
  const paths = found.pages.map(({ path }) => path);
  const known = await knownPaths(db, site.id, paths);
  const titles = withoutSiteName(
    found.pages.map(({ path, title }) => pageTitle(title ?? '') || titleOfPath(path, site.name)),
  );
  return {
    ...found,
    pages: paths.map((path, i) => ({
      key: pageKeyOf({ site, page: { path } }),
      path,
      title: titles[i]!,
      isKnown: known.has(path),
    })),
  };
}
