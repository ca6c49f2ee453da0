import { mostSharedSpots, OrbisError, parseSharedSpot, type SpotValues } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { lockSite } from '../store/places.ts';
import {
  changeSharedSpot,
  deleteSharedSpot,
  dropOffered,
  findSharedSpot,
  followShared,
  insertSharedSpot,
  keepAsShared,
  sharedSpotsOf,
  type SharedSpotRow,
  type SharedSpotValues,
  type SiteSharedSpot,
} from '../store/shared-spots.ts';
import type { MatchState } from './match-state.ts';
import { siteByKey } from './places.ts';
import { sizeOf, sizeSaid } from './spots.ts';
import { unlessTaken } from './unless-taken.ts';

/** @throws OrbisError `not-found`, `shared-spot-invalid` */
export async function sharedSpotByKey(db: Handle, key: string): Promise<SiteSharedSpot> {
  const found = await findSharedSpot(db, parseSharedSpot(key));
  if (!found) throw new OrbisError('not-found', { what: 'shared spot', key });
  return found;
}

/** What is said of a shared spot. */
export const sharedValues = (row: SharedSpotRow): SharedSpotValues => ({ under: row.under, ...sizeOf(row) });

/** As it is asked for. */
export const sharedSaid = ({ under, ...size }: SpotValues & { under: string }): SharedSpotValues => ({
  under,
  ...sizeSaid(size),
});

/**
 * Says of a spot that many pages of a site have it.
 * @param takesIn whether pages’ own spots of this name are as it says from now on.
 * @throws OrbisError `not-found`, `key-taken`, `too-many-shared-spots`
 */
export const addSharedSpot = (
  db: Database,
  { key, values, takesIn }: { key: string; values: SharedSpotValues; takesIn: boolean },
  actor: Actor,
): Promise<void> =>
  unlessTaken('shared spot', key, () =>
    inTransaction(db, async (tx) => {
      const { site, spot } = parseSharedSpot(key);
      const siteRow = await siteByKey(db, site);
      // What a site has of them is read with every list of its pages.
      await lockSite(tx, siteRow.id);
      if ((await sharedSpotsOf(tx, [siteRow.id])).length >= mostSharedSpots)
        throw new OrbisError('too-many-shared-spots', { site, most: mostSharedSpots });
      await writeSharedSpot(tx, key, values, actor);
      if (takesIn) await followShared(tx, { siteId: siteRow.id, name: spot }, true);
      const effect = { of: 'sharedSpot' as const, before: null, after: values };
      await recordChange(tx, { facts: { kind: 'added', what: 'sharedSpot', key }, effect }, actor);
    }),
  );

/** Writes a shared spot down. @throws OrbisError `not-found` where its site is not there. */
export async function writeSharedSpot(
  tx: Handle,
  key: string,
  values: SharedSpotValues,
  actor: Actor,
): Promise<void> {
  const { site, spot } = parseSharedSpot(key);
  await insertSharedSpot(tx, { siteId: (await siteByKey(tx, site)).id, name: spot }, values, actor);
}

/** Says anew which pages have it, how large it is on each, and where. */
export const changeShared = (
  db: Database,
  { key, values }: { key: string; values: SharedSpotValues },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { shared } = await sharedSpotByKey(tx, key);
    matchState(versionTag(shared), 'shared spot');
    if (!(await changeSharedSpot(tx, shared, values)))
      throw new OrbisError('if-match-stale', { what: 'shared spot' });
    const effect = { of: 'sharedSpot' as const, before: sharedValues(shared), after: values };
    await recordChange(tx, { facts: { kind: 'changed', what: 'sharedSpot', key }, effect }, actor);
  });

/** Says of a spot no more that many pages have it: where a page has a row of it, it stays as it is. */
export const removeShared = (
  db: Database,
  key: string,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { shared } = await sharedSpotByKey(tx, key);
    matchState(versionTag(shared), 'shared spot');
    await keepAsShared(tx, shared);
    await deleteSharedSpot(tx, shared);
    const effect = { of: 'sharedSpot' as const, before: sharedValues(shared), after: null };
    await recordChange(tx, { facts: { kind: 'removed', what: 'sharedSpot', key }, effect }, actor);
  });

/** Takes a shared spot out that was added: pages’ own spots that it took in are by themselves again. */
export async function takeOutShared(tx: Handle, { shared }: SiteSharedSpot): Promise<void> {
  await dropOffered(tx, shared);
  await followShared(tx, shared, false);
  await deleteSharedSpot(tx, shared);
}
