import { parsePage, type Page } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { serializePage } from '../../serializers/places.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import { keyset } from '../../store/pages.ts';
import {
  listPages,
  pagesBeginning,
  type KeyBeginning,
  type PageRow,
  type SiteRow,
} from '../../store/places.ts';
import { spotsOf } from '../../store/spots.ts';
import { pageSearch } from '../../usecases/search.ts';
import { addPage, changePageValues, removePage } from '../../usecases/pages.ts';
import { pageByKey, siteByKey } from '../../usecases/places.ts';
import { standingOfPage } from '../../usecases/standing.ts';
import type { Handlers, Named } from '../reply.ts';

/** Pages: added, planned, removed. */
export function pageHandlers(deps: Deps): Handlers<Named<'pages'>> {
  const { db } = deps.connection;
  const withSpots = async (rows: readonly { site: SiteRow; page: PageRow }[]): Promise<Page[]> => {
    const spots = await spotsOf(
      db,
      rows.map(({ page }) => page),
    );
    return rows.map((row) => serializePage(row, spots.get(row.page.id) ?? []));
  };
  const reply = async (key: string, status = 200) => {
    const row = await pageByKey(db, key);
    return { status, data: (await withSpots([row]))[0]!, etag: versionTag(row.page) };
  };
  return {
    'pages.list': async ({ query }) => {
      const { site } = { ...query, ...pageSearch(query.where ?? '') };
      const siteId = site === undefined ? null : (await siteByKey(db, site)).id;
      const rows = query.q
        ? await pagesBeginning(db, beginningOf(query.q), query.limit, query.after)
        : await listPages(db, siteId, query.limit, query.after);
      const page = keyset(rows, query.limit, (row) => row);
      return { data: { items: await withSpots(page.items), next: page.next } };
    },
    'pages.create': async ({ body, actor }) => {
      await addPage(db, body, actor);
      return reply(body.key, 201);
    },
    'pages.read': ({ params }) => reply(params.page),
    'pages.change': async ({ params, body, matchState, actor }) => {
      await changePageValues(db, params.page, body, matchState, actor);
      const { site, path } = parsePage(params.page);
      return reply(`${site}/${body.path ?? path}`);
    },
    'pages.standing': async ({ params }) => ({ data: await standingOfPage(db, params.page) }),
    'pages.delete': async ({ params, query, matchState, actor }) => {
      const agreed = { endsPlacements: query.placements === 'end' };
      await removePage(db, params.page, agreed, matchState, actor);
      return { data: undefined, status: 204 };
    },
  };
}

/* What a beginning of a page’s key means: of a site’s key, or of a path of that site. */
function beginningOf(text: string): KeyBeginning {
  const slash = text.indexOf('/');
  return slash < 0 ? { site: text, path: null } : { site: text.slice(0, slash), path: text.slice(slash + 1) };
}
