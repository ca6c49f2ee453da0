import type { QueryOf, Routes } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { PlacementFilter } from '../store/placements.ts';
import { embedByKey } from './embeds.ts';
import { pageByKey, siteByKey } from './places.ts';
import { placementSearch } from './search.ts';

/** How placements are narrowed: by fields, and by a search that names some of them. */
export type Narrowed = Partial<
  Pick<QueryOf<Routes['placements.list']>, 'embed' | 'site' | 'page' | 'state' | 'host' | 'where'>
>;

/**
 * Which placements are meant.
 * @throws OrbisError `search-invalid`, `not-found`
 */
export async function placementFilter(db: Handle, asked: Narrowed): Promise<PlacementFilter> {
  const { embed, site, page, state, host } = { ...asked, ...placementSearch(asked.where ?? '') };
  return {
    ...(embed !== undefined && { embedId: (await embedByKey(db, embed)).embed.id }),
    ...(site !== undefined && { siteId: (await siteByKey(db, site)).id }),
    ...(page !== undefined && { pageId: (await pageByKey(db, page)).page.id }),
    ...(state !== undefined && { state }),
    ...(host !== undefined && { host: host.toLowerCase() }),
  };
}
