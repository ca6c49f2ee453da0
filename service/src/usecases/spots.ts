import { OrbisError, parsePlace } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { changeSpot, deleteSpot, insertSpot, wasPlaced, type SpotRow, type Widths } from '../store/places.ts';
import type { MatchState } from './match-state.ts';
import { pageByKey, spotByKey } from './places.ts';
import { unlessTaken } from './unless-taken.ts';

/** A spot as it is written down with its page. */
export interface SpotValues {
  name: string;
  widths: Widths;
}

/** How wide a spot is, in px. */
export const widthsOf = ({ phone, tablet, desktop }: Widths): Widths => ({ phone, tablet, desktop });

/** @throws OrbisError `not-found`, `place-invalid`, `key-taken` */
export const addSpot = (
  db: Database,
  { key, widths }: { key: string; widths: Widths },
  actor: Actor,
): Promise<void> =>
  unlessTaken('spot', key, () =>
    inTransaction(db, async (tx) => {
      await writeSpot(tx, key, widths, actor);
      const effect = { of: 'spot' as const, before: null, after: widths };
      await recordChange(tx, { facts: { kind: 'added', what: 'spot', key }, effect }, actor);
    }),
  );

/** Writes a spot down. @throws OrbisError `not-found` where its page is not there. */
export async function writeSpot(tx: Handle, key: string, widths: Widths, actor: Actor): Promise<void> {
  const { site, path, spot } = parsePlace(key);
  const { page } = await pageByKey(tx, `${site}/${path}`);
  await insertSpot(tx, page.id, spot, widths, actor);
}

/** Says anew how wide a spot is. */
export const changeWidths = (
  db: Database,
  key: string,
  widths: Widths,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { spot } = await spotByKey(tx, key);
    matchState(versionTag(spot), 'spot');
    if (!(await changeSpot(tx, spot, widths))) throw new OrbisError('if-match-stale', { what: 'spot' });
    const effect = { of: 'spot' as const, before: widthsOf(spot), after: widths };
    await recordChange(tx, { facts: { kind: 'changed', what: 'spot', key }, effect }, actor);
  });

/** @throws OrbisError `in-use` where anything was ever placed in it */
export const removeSpot = (db: Database, key: string, matchState: MatchState, actor: Actor): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { spot } = await spotByKey(tx, key);
    matchState(versionTag(spot), 'spot');
    await deleteEmptySpot(tx, key, spot);
    const effect = { of: 'spot' as const, before: widthsOf(spot), after: null };
    await recordChange(tx, { facts: { kind: 'removed', what: 'spot', key }, effect }, actor);
  });

/** @throws OrbisError `in-use` */
export async function deleteEmptySpot(tx: Handle, key: string, spot: SpotRow): Promise<void> {
  if (await wasPlaced(tx, spot.id))
    throw new OrbisError('in-use', {
      what: 'spot',
      key,
      by: 'the register keeps what was placed in it',
    });
  await deleteSpot(tx, spot.id);
}
