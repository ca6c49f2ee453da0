import { isBlockPath, mostBlocks, OrbisError, parsePage, type BlockPlacing } from '@orbis/contract';
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
import { blocksOf, forgetUnsaid } from '../store/blocks.ts';
import { changePage, deletePage, insertPage, lockSite, type PageRow, type SiteRow } from '../store/places.ts';
import { insertSpot, spotRowsOf, type SpotSize } from '../store/spots.ts';
import { markPage } from '../store/mark-stale.ts';
import type { MatchState } from './match-state.ts';
import { pageByKey, siteByKey } from './places.ts';
import { sizeOf } from './spots.ts';
import { numberOfChange, refusePlaced } from './standing.ts';
import { unlessTaken } from './unless-taken.ts';

/** What a page says of itself, with its spots where it was removed with them. */
export interface PageValues extends Partial<Pick<PageRow, 'under' | 'stands'>> {
  title: string;
  spots?: { name: string; widths: SpotSize & { shared?: boolean } }[];
}

/**
 * Adds a page, or a block that many pages show; one that was removed comes back with its spots.
 * @throws OrbisError `not-found`, `place-invalid`, `key-taken`, `no-block`, `too-many-blocks`
 */
export const addPage = (
  db: Database,
  { key, title, block }: { key: string; title: string; block?: BlockPlacing | undefined },
  actor: Actor,
): Promise<void> =>
  unlessTaken('page', key, () =>
    inTransaction(db, async (tx) => {
      const { site, path } = parsePage(key);
      const isBlock = isBlockPath(path);
      if (block && !isBlock) throw new OrbisError('no-block', { key, site, isBlock });
      if (isBlock) await refuseMoreBlocks(tx, site);
      const values: PageValues = { title, ...(isBlock && { ...afterEveryPage, ...block }) };
      await writePage(tx, key, values, actor);
      const effect = { of: 'page' as const, before: null, after: values };
      await recordChange(tx, { facts: { kind: 'added', what: 'page', key }, effect }, actor);
    }),
  );

/* Where a block is of which nothing is said. */
const afterEveryPage: BlockPlacing = { under: '', stands: 'after' };

/* What a site has of them is read with the plan of each of its pages. */
async function refuseMoreBlocks(tx: Handle, key: string): Promise<void> {
  const { id } = await siteByKey(tx, key);
  await lockSite(tx, id);
  if ((await blocksOf(tx, id)).length >= mostBlocks)
    throw new OrbisError('too-many-blocks', { site: key, most: mostBlocks });
}

/** Writes a page down. @throws OrbisError `not-found` where its site is not there. */
export async function writePage(
  tx: Handle,
  key: string,
  { spots = [], ...said }: PageValues,
  actor: Actor,
): Promise<void> {
  const { site, path } = parsePage(key);
  await insertPage(tx, (await siteByKey(tx, site)).id, { path, ...said }, actor);
  if (spots.length === 0) return;
  const { page } = await pageByKey(tx, key);
  for (const { name, widths } of spots) await insertSpot(tx, page.id, name, widths, actor);
}

/** What of a page is said anew. */
export interface ChangeOfPage {
  title?: string | undefined;
  path?: string | undefined;
  /** Of a block alone. */
  block?: { [K in keyof BlockPlacing]?: BlockPlacing[K] | undefined } | undefined;
}

/**
 * Calls a page something else, or says that it has another path on its site: what is placed there goes along;
 * or says of a block which pages show it.
 * @throws OrbisError `not-found`, `if-match-stale`, `key-taken`, `no-block`
 */
export const changePageValues = (
  db: Database,
  key: string,
  { title, path, block = {} }: ChangeOfPage,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  unlessTaken('page', `${parsePage(key).site}/${path ?? ''}`, () =>
    inTransaction(db, async (tx) => {
      const { page, site } = await pageByKey(tx, key);
      matchState(versionTag(page), 'page');
      const isBlock = page.stands !== null;
      const placing = said(block);
      if (isBlock ? path !== undefined : Object.keys(placing).length > 0)
        throw new OrbisError('no-block', { key, site: site.key, isBlock });
      if (path !== undefined && path !== page.path) await refuseRemoved(tx, site, path);
      const after = { ...(title !== undefined && { title }), ...placing };
      const values = { ...after, ...(path !== undefined && { path }) };
      if (!(await changePage(tx, page, values))) throw new OrbisError('if-match-stale', { what: 'page' });
      const names = Object.keys(after) as (keyof typeof after)[];
      if (names.length > 0) {
        const before = Object.fromEntries(names.map((name) => [name, page[name]]));
        const effect = { of: 'page' as const, before, after };
        const now = `${site.key}/${path ?? page.path}`;
        await recordChange(tx, { facts: { kind: 'changed', what: 'page', key: now }, effect }, actor);
      }
      if (isBlock) await showBlockAnew(tx, { ...page, ...placing });
      if (path === undefined || path === page.path) return;
      await markPage(tx, page.id);
      const facts = { kind: 'page-moved', from: key, to: `${site.key}/${path}` } as const;
      const paths = { before: { path: page.path }, after: { path } };
      await recordChange(tx, { facts, effect: { of: 'page-path', pageId: page.id, ...paths } }, actor);
    }),
  );

const said = ({ under, stands }: NonNullable<ChangeOfPage['block']>): Partial<BlockPlacing> => ({
  ...(under !== undefined && { under }),
  ...(stands !== undefined && { stands }),
});

/** Other pages may show a block from now on, or the same ones elsewhere. */
export async function showBlockAnew(tx: Handle, block: Pick<PageRow, 'id' | 'under'>): Promise<void> {
  await forgetUnsaid(tx, block);
  await markPage(tx, block.id);
}

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
    const { title, under, stands } = page;
    const before: PageValues = { title, ...(stands !== null && { under, stands }) };
    if (await wasPlacedOn(tx, page.id)) {
      const effect = { of: 'gone' as const, what: 'page' as const, id: page.id, before, after: null };
      const change = await numberOfChange(tx, { facts, effect }, actor);
      await markPageGone(tx, page, actor.now);
      await endAllOn(tx, where, change, actor.now);
      await dropNeedsOfEmptyPage(tx, { pageId: page.id, siteId: page.siteId }, actor.now);
      await markPage(tx, page.id);
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
