import { isHost } from '@orbis/core';
import { OrbisError, parsePage, parsePlace, type Page, type Site, type Spot } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import type { Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { groupBy } from '../store/group.ts';
import { keyset } from '../store/pages.ts';
import {
  changeSite,
  changeSpot,
  deletePage,
  deleteSite,
  deleteSpot,
  findPage,
  findSite,
  findSpot,
  insertPage,
  insertSite,
  insertSpot,
  listPages,
  listSites,
  pageCounts,
  placementsInSpots,
  spotsOf,
  wasPlaced,
  type PageRow,
  type SiteRow,
  type SpotRow,
} from '../store/places.ts';
import { serializePlan } from '../serializers/compositions.ts';
import { lastNumbers, placementsOn } from '../store/placements.ts';
import { checkOptions } from '../usecases/check-options.ts';
import { planOf } from '../usecases/page-plan.ts';
import { pageUrl } from '../usecases/placements.ts';
import type { Handlers, Named } from './reply.ts';

const versionTag = (row: { version: number }): string => `"${row.version}"`;
const missing = (what: string, key: string): OrbisError =>
  new OrbisError('not-found', { what, key, remedy: what === 'site' ? '“orbis list sites” shows them.' : '“orbis list pages” shows them.' });

/** @throws OrbisError `not-found` */
export async function siteByKey(db: Handle, key: string): Promise<SiteRow> {
  const site = await findSite(db, key);
  if (!site) throw missing('site', key);
  return site;
}

/** @throws OrbisError `not-found` or `place-invalid` */
export async function pageByKey(db: Handle, key: string): Promise<{ site: SiteRow; page: PageRow }> {
  const found = await findPage(db, parsePage(key));
  if (!found) throw missing('page', key);
  return found;
}

/** @throws OrbisError `not-found` or `place-invalid` */
export async function spotByKey(db: Handle, key: string): Promise<{ site: SiteRow; page: PageRow; spot: SpotRow }> {
  const found = await findSpot(db, parsePlace(key));
  if (!found) throw missing('spot', key);
  return found;
}

/** Sites, pages and spots. */
export function placeHandlers(deps: Deps): Handlers<Named<'sites' | 'pages' | 'spots'>> {
  const { db } = deps.connection;
  const serializeSites = async (rows: readonly SiteRow[]): Promise<Site[]> => {
    const counts = await pageCounts(
      db,
      rows.map((row) => row.id),
    );
    return rows.map((row) => ({
      key: row.key,
      name: row.name,
      address: row.address,
      defaults: row.defaults,
      head: row.head,
      pages: counts.get(row.id) ?? 0,
      createdAt: row.createdAt.toISOString(),
    }));
  };
  const siteReply = async (key: string, status = 200) => {
    const row = await siteByKey(db, key);
    return { status, data: (await serializeSites([row]))[0]!, etag: versionTag(row) };
  };
  const serializePages = async (rows: readonly { site: SiteRow; page: PageRow }[]): Promise<Page[]> => {
    const spots = await spotsOf(
      db,
      rows.map((row) => row.page.id),
    );
    const counts = await placementsInSpots(
      db,
      spots.map((spot) => spot.id),
    );
    const byPage = groupBy(spots, (spot) => spot.pageId);
    return rows.map(({ site, page }) => {
      const key = `${site.key}/${page.path}`;
      return {
        key,
        path: page.path,
        title: page.title,
        url: pageUrl(site, page),
        checkedAt: page.checkedAt?.toISOString() ?? null,
        spots: (byPage.get(page.id) ?? []).map((spot) => serializeSpot(key, spot, counts.get(spot.id) ?? 0)),
      };
    });
  };
  const spotReply = async (key: string, status = 200) => {
    const { spot, site, page } = await spotByKey(db, key);
    return { status, data: serializeSpot(`${site.key}/${page.path}`, spot, (await placementsInSpots(db, [spot.id])).get(spot.id) ?? 0), etag: versionTag(spot) };
  };

  return {
    'sites.list': async ({ query }) => {
      const page = keyset(await listSites(db, query.limit, query.after), query.limit, (row) => row);
      return { data: { items: await serializeSites(page.items), next: page.next } };
    },
    'sites.create': async ({ body, actor }) => {
      await unlessTaken('site', body.key, () => insertSite(db, { ...body, address: siteAddress(body.address) }, actor));
      return siteReply(body.key, 201);
    },
    'sites.read': ({ params }) => siteReply(params.site),
    'sites.change': async ({ params, body, matchState }) => {
      for (const options of Object.values(body.defaults ?? {})) checkOptions(options, deps.renderContext().sheets);
      const row = await siteByKey(db, params.site);
      matchState(versionTag(row), 'site');
      const address = body.address === undefined ? {} : { address: siteAddress(body.address) };
      if (!(await changeSite(db, row, { ...body, ...address }))) throw new OrbisError('if-match-stale', { what: 'site' });
      return siteReply(params.site);
    },
    'sites.delete': async ({ params }) => {
      const row = await siteByKey(db, params.site);
      const pages = (await pageCounts(db, [row.id])).get(row.id) ?? 0;
      if (pages > 0) throw new OrbisError('in-use', { what: 'site', key: row.key, by: `it has ${pages} ${pages === 1 ? 'page' : 'pages'}` });
      await deleteSite(db, row.id);
      return { data: undefined, status: 204 };
    },
    'pages.list': async ({ query }) => {
      const siteId = query.site === undefined ? null : (await siteByKey(db, query.site)).id;
      const page = keyset(await listPages(db, siteId, query.limit, query.after), query.limit, (row) => row);
      return { data: { items: await serializePages(page.items), next: page.next } };
    },
    'pages.create': async ({ body, actor }) => {
      const { site: key, path } = parsePage(body.key);
      const site = await siteByKey(db, key);
      await unlessTaken('page', body.key, () => insertPage(db, site.id, { path, title: body.title }, actor));
      return { status: 201, data: (await serializePages([await pageByKey(db, body.key)]))[0]! };
    },
    'pages.plan': async ({ params }) => {
      const { site, page } = await pageByKey(db, params.page);
      const rows = await placementsOn(db, page.id);
      const last = await lastNumbers(
        db,
        rows.map(({ id }) => id),
      );
      const plan = await planOf(rows, deps.renderContext(), (id) => last.get(rows.find(({ placement }) => placement.publicId === id)!.id) ?? 1);
      return { data: serializePlan(`${site.key}/${page.path}`, plan) };
    },
    'pages.delete': async ({ params }) => {
      const { page } = await pageByKey(db, params.page);
      const spots = await spotsOf(db, [page.id]);
      if (spots.length > 0) throw new OrbisError('in-use', { what: 'page', key: params.page, by: `it has ${spots.length} ${spots.length === 1 ? 'spot' : 'spots'}` });
      await deletePage(db, page.id);
      return { data: undefined, status: 204 };
    },
    'spots.create': async ({ body, actor }) => {
      const { site, path, spot } = parsePlace(body.key);
      const { page } = await pageByKey(db, `${site}/${path}`);
      await unlessTaken('spot', body.key, () => insertSpot(db, page.id, spot, body.widths, actor));
      return spotReply(body.key, 201);
    },
    'spots.read': ({ params }) => spotReply(params.spot),
    'spots.change': async ({ params, body, matchState }) => {
      const { spot } = await spotByKey(db, params.spot);
      matchState(versionTag(spot), 'spot');
      if (!(await changeSpot(db, spot, body.widths))) throw new OrbisError('if-match-stale', { what: 'spot' });
      return spotReply(params.spot);
    },
    'spots.delete': async ({ params }) => {
      const { spot } = await spotByKey(db, params.spot);
      if (await wasPlaced(db, spot.id)) throw new OrbisError('in-use', { what: 'spot', key: params.spot, by: 'the register keeps what was placed in it' });
      await deleteSpot(db, spot.id);
      return { data: undefined, status: 204 };
    },
  };
}

const serializeSpot = (page: string, spot: SpotRow, placements: number): Spot => ({
  key: `${page}#${spot.name}`,
  name: spot.name,
  widths: { phone: spot.phone, tablet: spot.tablet, desktop: spot.desktop },
  placements,
});

/* The site's address without query, fragment and the slash at its end: pages are put behind it. */
function siteAddress(address: string): string {
  const url = /^https?:\/\//i.test(address.trim()) && URL.canParse(address.trim()) ? new URL(address.trim()) : null;
  const named = url !== null && (isHost(url.hostname) || url.hostname.startsWith('['));
  if (!named || url.username || url.password || url.search || url.hash)
    throw new OrbisError('address-invalid', { found: address }, [{ pointer: '/address', detail: 'an address such as https://site.example' }]);
  return url.href.replace(/\/$/, '');
}

async function unlessTaken(what: string, key: string, insert: () => Promise<void>): Promise<void> {
  try {
    await insert();
  } catch (error) {
    if (isDuplicate(error)) throw new OrbisError('key-taken', { what, key });
    throw error;
  }
}
