import { OrbisError, parsePage } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { changePage, deletePage, insertPage, spotsOf, type PageRow } from '../store/places.ts';
import type { MatchState } from './match-state.ts';
import { pageByKey, siteByKey } from './places.ts';
import { unlessTaken } from './unless-taken.ts';

/** @throws OrbisError `not-found`, `place-invalid`, `key-taken` */
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
  { title }: { title: string },
  actor: Actor,
): Promise<void> {
  const { site, path } = parsePage(key);
  await insertPage(tx, (await siteByKey(tx, site)).id, { path, title }, actor);
}

/** Calls a page something else. */
export const retitlePage = (
  db: Database,
  key: string,
  title: string,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { page } = await pageByKey(tx, key);
    matchState(versionTag(page), 'page');
    if (!(await changePage(tx, page, title))) throw new OrbisError('if-match-stale', { what: 'page' });
    const effect = { of: 'page' as const, before: { title: page.title }, after: { title } };
    await recordChange(tx, { facts: { kind: 'changed', what: 'page', key }, effect }, actor);
  });

/** @throws OrbisError `in-use` where it has spots */
export const removePage = (db: Database, key: string, matchState: MatchState, actor: Actor): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { page } = await pageByKey(tx, key);
    matchState(versionTag(page), 'page');
    await deleteEmptyPage(tx, key, page);
    const effect = { of: 'page' as const, before: { title: page.title }, after: null };
    await recordChange(tx, { facts: { kind: 'removed', what: 'page', key }, effect }, actor);
  });

/** @throws OrbisError `in-use` */
export async function deleteEmptyPage(tx: Handle, key: string, page: PageRow): Promise<void> {
  const spots = await spotsOf(tx, [page.id]);
  if (spots.length > 0)
    throw new OrbisError('in-use', {
      what: 'page',
      key,
      by: `it has ${spots.length} ${spots.length === 1 ? 'spot' : 'spots'}`,
    });
  await deletePage(tx, page);
}
