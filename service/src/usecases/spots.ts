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
  insertSpot,
  wasPlaced,
  type SpotRow,
  type SpotSize,
} from '../store/places.ts';
import { endAllOn, lockPage, markSpotGone } from '../store/gone-places.ts';
import { markPage } from '../store/mark-stale.ts';
import { dropNeedsOfEmptyPage } from '../store/needs.ts';
import type { MatchState } from './match-state.ts';
import { pageByKey, spotByKey } from './places.ts';
import { numberOfChange, refusePlaced } from './standing.ts';
import { unlessTaken } from './unless-taken.ts';

/** How large a spot is, and where, without what else is known of it. */
export const sizeOf = ({ phone, tablet, desktop, heights, selector }: SpotSize): SpotSize => ({
  phone,
  tablet,
  desktop,
  heights,
  selector,
});

/** How much room a spot has for what is placed in it. */
export const roomOf = ({ phone, tablet, desktop, heights }: SpotRow): SpotRoom => ({
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
      await writeSpot(tx, key, size, actor);
      const effect = { of: 'spot' as const, before: null, after: size };
      await recordChange(tx, { facts: { kind: 'added', what: 'spot', key }, effect }, actor);
    }),
  );

/** Writes a spot down. @throws OrbisError `not-found` where its page is not there. */
export async function writeSpot(tx: Handle, key: string, size: SpotSize, actor: Actor): Promise<void> {
  const { site, path, spot } = parsePlace(key);
  const { page } = await pageByKey(tx, `${site}/${path}`);
  await insertSpot(tx, page.id, spot, size, actor);
}

/** Says anew how large a spot is, and where. */
export const changeSize = (
  db: Database,
  key: string,
  size: SpotSize,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { spot } = await spotByKey(tx, key);
    matchState(versionTag(spot), 'spot');
    if (!(await changeSpot(tx, spot, size))) throw new OrbisError('if-match-stale', { what: 'spot' });
    const effect = { of: 'spot' as const, before: sizeOf(spot), after: size };
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
    // Held before anything is read: what is placed there meanwhile waits, and what was is seen.
    await lockPage(tx, (await spotByKey(db, key)).page.id);
    const { spot, page } = await spotByKey(tx, key);
    matchState(versionTag(spot), 'spot');
    const where = { spotId: spot.id };
    if (!endsPlacements) await refusePlaced(tx, 'spot', key, where);
    const facts = { kind: 'removed', what: 'spot', key } as const;
    const before = sizeOf(spot);
    if (!(await wasPlaced(tx, spot.id))) {
      await deleteSpot(tx, spot.id);
      await recordChange(tx, { facts, effect: { of: 'spot', before, after: null } }, actor);
      return;
    }
    const effect = { of: 'gone' as const, what: 'spot' as const, id: spot.id, before, after: null };
    const change = await numberOfChange(tx, { facts, effect }, actor);
    await markSpotGone(tx, spot.id, actor.now);
    await endAllOn(tx, where, change, actor.now);
    await dropNeedsOfEmptyPage(tx, { pageId: page.id, siteId: page.siteId }, actor.now);
    await markPage(tx, page.id);
  });

/** Takes a spot out that was added, as long as nothing is placed in it. @throws OrbisError `in-use` */
export async function deleteEmptySpot(tx: Handle, key: string, spot: SpotRow, now: Date): Promise<void> {
  await refusePlaced(tx, 'spot', key, { spotId: spot.id });
  if (await wasPlaced(tx, spot.id)) await markSpotGone(tx, spot.id, now);
  else await deleteSpot(tx, spot.id);
}
