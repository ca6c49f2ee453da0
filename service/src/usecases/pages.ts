import { OrbisError, parsePage } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import {
  deleteSpotsOf,
  endAllOn,
  isGonePath,
  lockPage,
  markPageGone,
  wasPlacedOn,
} from '../store/gone-places.ts';
import { dropNeedsOfEmptyPage } from '../store/needs.ts';
import { changePage, deletePage, insertPage, type PageRow, type SiteRow } from '../store/places.ts';
import { insertSpot, spotRowsOf, type SpotSize } from '../store/spots.ts';
import { markPage } from '../store/mark-stale.ts';
import type { MatchState } from './match-state.ts';
import { pageByKey, siteByKey } from './places.ts';
import { sizeOf } from './spots.ts';
import { numberOfChange, refusePlaced } from './standing.ts';
import { unlessTaken } from './unless-taken.ts';

/** What a page says of itself, with its spots where it was removed with them. */
export interface PageValues {
  title: string;
  spots?: { name: string; widths: SpotSize & { shared?: boolean } }[];
}

/**
 * Adds a page; one that was removed comes back with its spots.
 * @throws OrbisError `not-found`, `place-invalid`, `key-taken`
 */
export const addPage = (
  db: Database,
  { key, title }: { key: string; title: string },
  actor: Actor,
): Promise<void> =>
  unlessTaken('page', key, () =>
    inTransaction(db, async (tx) => {
      await writePage(tx, key, { title }, actor);
      const effect = { of: 'page' as const, before: null, after: { title } };
      await recordChange(tx, { facts: { kind: 'added', what: 'page', key }, effect }, actor);
    }),
  );

/** Writes a page down. @throws OrbisError `not-found` where its site is not there. */
export async function writePage(
  tx: Handle,
  key: string,
  { title, spots = [] }: PageValues,
  actor: Actor,
): Promise<void> {
  const { site, path } = parsePage(key);
  await insertPage(tx, (await siteByKey(tx, site)).id, { path, title }, actor);
  if (spots.length === 0) return;
  const { page } = await pageByKey(tx, key);
  for (const { name, widths } of spots) await insertSpot(tx, page.id, name, widths, actor);
}

/**
 * Calls a page something else, or says that it has another path on its site: what is placed there goes along.
 * @throws OrbisError `not-found`, `if-match-stale`, `key-taken`
 */
export const changePageValues = (
  db: Database,
  key: string,
  { title, path }: { title?: string | undefined; path?: string | undefined },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  unlessTaken('page', `${parsePage(key).site}/${path ?? ''}`, () =>
    inTransaction(db, async (tx) => {
      const { page, site } = await pageByKey(tx, key);
      matchState(versionTag(page), 'page');
      if (path !== undefined && path !== page.path) await refuseRemoved(tx, site, path);
      const values = { ...(title !== undefined && { title }), ...(path !== undefined && { path }) };
      if (!(await changePage(tx, page, values))) throw new OrbisError('if-match-stale', { what: 'page' });
      if (title !== undefined) {
        const effect = { of: 'page' as const, before: { title: page.title }, after: { title } };
        const now = `${site.key}/${path ?? page.path}`;
        await recordChange(tx, { facts: { kind: 'changed', what: 'page', key: now }, effect }, actor);
      }
      if (path === undefined || path === page.path) return;
      await markPage(tx, page.id);
      const facts = { kind: 'page-moved', from: key, to: `${site.key}/${path}` } as const;
      const paths = { before: { path: page.path }, after: { path } };
      await recordChange(tx, { facts, effect: { of: 'page-path', pageId: page.id, ...paths } }, actor);
    }),
  );

/* What was placed on a page that was removed is kept under its path. */
async function refuseRemoved(tx: Handle, { id, key }: SiteRow, path: string): Promise<void> {
  if (await isGonePath(tx, id, path))
    throw new OrbisError('key-taken', { what: 'page', key: `${key}/${path}`, removed: true });
}

/**
 * Removes a page with its spots. Where anything was ever placed on it, the register keeps it, and what is
 * placed there ends with it.
 * @param endsPlacements whether that is agreed to.
 * @throws OrbisError `in-use` where it is not, and something is placed on it
 */
export const removePage = (
  db: Database,
  key: string,
  { endsPlacements }: { endsPlacements: boolean },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    // Held before anything is read: what is placed there meanwhile waits, and what was is seen.
    await lockPage(tx, (await pageByKey(db, key)).page.id);
    const { page } = await pageByKey(tx, key);
    matchState(versionTag(page), 'page');
    const where = { pageId: page.id };
    if (!endsPlacements) await refusePlaced(tx, 'page', key, where);
    const facts = { kind: 'removed', what: 'page', key } as const;
    const before: PageValues = { title: page.title };
    if (await wasPlacedOn(tx, page.id)) {
      const effect = { of: 'gone' as const, what: 'page' as const, id: page.id, before, after: null };
      const change = await numberOfChange(tx, { facts, effect }, actor);
      await markPageGone(tx, page, actor.now);
      await endAllOn(tx, where, change, actor.now);
      await dropNeedsOfEmptyPage(tx, { pageId: page.id, siteId: page.siteId }, actor.now);
      return;
    }
    const spots = await spotRowsOf(tx, page.id);
    if (spots.length > 0)
      before.spots = spots.map((row) => ({ name: row.name, widths: { ...sizeOf(row), shared: row.shared } }));
    await deleteSpotsOf(tx, page.id);
    await deletePage(tx, page);
    await recordChange(tx, { facts, effect: { of: 'page', before, after: null } }, actor);
  });

/** Takes a page out that was added, as long as it has no spots. @throws OrbisError `in-use` */
export async function deleteEmptyPage(tx: Handle, key: string, page: PageRow, now: Date): Promise<void> {
  await refusePlaced(tx, 'page', key, { pageId: page.id });
  if (await wasPlacedOn(tx, page.id)) return markPageGone(tx, page, now);
  const spots = await spotRowsOf(tx, page.id);
  if (spots.length > 0)
    throw new OrbisError('in-use', {
      what: 'page',
      key,
      by: `it has ${spots.length} ${spots.length === 1 ? 'spot' : 'spots'}`,
    });
  await deletePage(tx, page);
}
