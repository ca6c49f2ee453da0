import { OrbisError, parsePlace, type SpotValues } from '@orbis/contract';
import type { SpotRoom } from '@orbis/core';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import {
  changeSpot,
  deleteSpot,
  findSpot,
  insertSpot,
  wasPlaced,
  type FoundSpot,
  type SpotRow,
  type SpotSize,
} from '../store/spots.ts';
import { findSharedSpot } from '../store/shared-spots.ts';
import { endAllOn, lockPage, markSpotGone } from '../store/gone-places.ts';
import { markPage } from '../store/mark-stale.ts';
import { dropNeedsOfEmptyPage } from '../store/needs.ts';
import { holdSpot } from './hold-spot.ts';
import type { MatchState } from './match-state.ts';
import { pageByKey, spotByKey } from './places.ts';
import { numberOfChange, refusePlaced } from './standing.ts';
import { unlessTaken } from './unless-taken.ts';

/** What a page says of a spot itself: its size, or that it is as the shared one says. */
export type SpotSaid = SpotSize & Partial<Pick<SpotRow, 'shared'>>;

/** How large a spot is, and where, without what else is known of it. */
export const sizeOf = ({ phone, tablet, desktop, heights, selector }: SpotSize): SpotSize => ({
  phone,
  tablet,
  desktop,
  heights,
  selector,
});

/** A spot as it is, whoever says so. */
export const spotSaid = (spot: FoundSpot): SpotSaid => ({ ...sizeOf(spot), shared: spot.from !== null });

/**
 * What a page keeps of a spot, to be brought back: its own size too, which a shared one hides for as long as
 * it says how large the spot is.
 */
const spotKept = (spot: FoundSpot): SpotSaid => ({ ...sizeOf(spot.row ?? spot), shared: spot.from !== null });

/** How much room a spot has for what is placed in it. */
export const roomOf = ({ phone, tablet, desktop, heights }: SpotSize): SpotRoom => ({
  widths: { phone, tablet, desktop },
  heights,
});

/** How large a spot is, as it is said. */
export const sizeSaid = ({ widths, heights, selector }: SpotValues): SpotSize => ({
  ...widths,
  heights,
  selector,
});

/** @throws OrbisError `not-found`, `place-invalid`, `key-taken` */
export const addSpot = (
  db: Database,
  { key, size }: { key: string; size: SpotSize },
  actor: Actor,
): Promise<void> =>
  unlessTaken('spot', key, () =>
    inTransaction(db, async (tx) => {
      if (await findSpot(tx, parsePlace(key))) throw new OrbisError('key-taken', { what: 'spot', key });
      await writeSpot(tx, key, size, actor);
      const effect = { of: 'spot' as const, before: null, after: size };
      await recordChange(tx, { facts: { kind: 'added', what: 'spot', key }, effect }, actor);
    }),
  );

/** Writes a spot down. @throws OrbisError `not-found` where its page is not there. */
export async function writeSpot(tx: Handle, key: string, said: SpotSaid, actor: Actor): Promise<void> {
  const { site, path, spot } = parsePlace(key);
  const { page } = await pageByKey(tx, `${site}/${path}`);
  await insertSpot(tx, page.id, spot, said, actor);
}

/**
 * Says anew how large a spot is, and where.
 * @param size null: as the site’s shared spot of its name says.
 * @throws OrbisError `not-found`, also where there is no such shared spot; `if-match-stale`
 */
export const changeSize = (
  db: Database,
  { key, size }: { key: string; size: SpotSize | null },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const place = parsePlace(key);
    const there = await spotByKey(db, key);
    // It has a row by now, and nobody else changes it.
    await holdSpot(tx, there, actor);
    const { spot } = await spotByKey(tx, key);
    matchState(versionTag(spot), 'spot');
    if (size === null && !(await findSharedSpot(tx, place)))
      throw new OrbisError('not-found', { what: 'shared spot', key: `${place.site}#${place.spot}` });
    const after = size === null ? { shared: true } : { ...size, shared: false };
    if (!(await changeSpot(tx, spot.row!, after))) throw new OrbisError('if-match-stale', { what: 'spot' });
    const effect = { of: 'spot' as const, before: spotKept(spot), after };
    await recordChange(tx, { facts: { kind: 'changed', what: 'spot', key }, effect }, actor);
  });

/**
 * Removes a spot. Where anything was ever placed in it, the register keeps it, and what is placed there ends
 * with it.
 * @param endsPlacements whether that is agreed to.
 * @throws OrbisError `in-use` where it is not, and something is placed in it
 */
export const removeSpot = (
  db: Database,
  key: string,
  { endsPlacements }: { endsPlacements: boolean },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const there = await spotByKey(db, key);
    // Held before anything is read: what is placed there meanwhile waits, and what was is seen.
    await lockPage(tx, there.page.id);
    const { spot, page } = await spotByKey(tx, key);
    matchState(versionTag(spot), 'spot');
    const facts = { kind: 'removed', what: 'spot', key } as const;
    const before = spotKept(spot);
    const row = spot.row ?? (await holdSpot(tx, there, actor));
    const where = { spotId: row.id };
    if (!endsPlacements) await refusePlaced(tx, 'spot', key, where);
    // Of what a shared spot gives the page, it is kept that this page does not have it.
    if (!spot.isOffered && !(await wasPlaced(tx, row.id))) {
      await deleteSpot(tx, row.id);
      await recordChange(tx, { facts, effect: { of: 'spot', before, after: null } }, actor);
      return;
    }
    const effect = { of: 'gone' as const, what: 'spot' as const, id: row.id, before, after: null };
    const change = await numberOfChange(tx, { facts, effect }, actor);
    await markSpotGone(tx, row.id, actor.now);
    await endAllOn(tx, where, change, actor.now);
    await dropNeedsOfEmptyPage(tx, { pageId: page.id, siteId: page.siteId }, actor.now);
    await markPage(tx, page.id);
  });

/** Takes a spot out that was added, as long as nothing is placed in it. @throws OrbisError `in-use` */
export async function deleteEmptySpot(
  tx: Handle,
  key: string,
  { row }: Pick<FoundSpot, 'row'>,
  now: Date,
): Promise<void> {
  if (!row) return;
  await refusePlaced(tx, 'spot', key, { spotId: row.id });
  if (await wasPlaced(tx, row.id)) await markSpotGone(tx, row.id, now);
  else await deleteSpot(tx, row.id);
}
