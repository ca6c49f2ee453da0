import type { Remains } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import type { ChangeRow } from '../../store/change-log.ts';
import type { Actor } from '../../store/embeds.ts';
import { resumeAllOf } from '../../store/gone-places.ts';
import { holdPlacements, pauseThese, type OneOfMany } from '../../store/many-placements.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import { markPagesOf } from '../change-placements.ts';
import { placeOf } from '../page-plan.ts';
import { changedSince } from './changed-since.ts';

type Effect = Extract<ChangeEffect, { of: 'placements' }>;

/**
 * Makes of many placements what they were.
 * @throws OrbisError `changed-since` where one of them is not as it was left, or cannot stand there again; or
 * the driver’s duplicate-key error where an embed was placed there once more.
 */
export async function undoPlacements(
  tx: Handle,
  { id: change, facts }: ChangeRow,
  { make, before }: Effect,
  { now }: Actor,
): Promise<Remains | null> {
  const rows = await holdPlacements(
    tx,
    before.map(({ placementId }) => placementId),
  );
  const other = rows.filter((row) => !stands(row, make));
  if (other.length > 0 || rows.length < before.length)
    throw changedSince(
      // Of what is not there any more, only what was told then is known.
      other.length === 0 && facts.kind === 'placements'
        ? facts.placements
        : other.map((row) => `${row.embed.key} in ${placeOf(row)}`),
    );
  const ids = rows.map(({ id }) => id);
  if (make === 'ended') await resumeAllOf(tx, { ids }, change);
  else if (make === 'paused') await pauseThese(tx, ids, null);
  else
    for (const { placementId, pausedAt } of before)
      await pauseThese(tx, [placementId], pausedAt === null ? null : new Date(pausedAt));
  await markPagesOf(tx, rows, now);
  const handedOut = rows.filter(({ placement }) => placement.issued !== null || placement.linkedAt !== null);
  if (make === 'ended' || handedOut.length === 0) return null;
  return { code: 'paste-again', placements: handedOut.length };
}

/* Whether it is as it was left, and can be again what it was. */
function stands({ placement, embed, page, spot }: OneOfMany, make: Effect['make']): boolean {
  if (embed.purgedAt !== null) return false;
  if (make !== 'ended')
    return placement.active === 1 && (placement.pausedAt !== null) === (make === 'paused');
  return (
    placement.active === null && embed.retiredAt === null && page.goneAt === null && spot.goneAt === null
  );
}
