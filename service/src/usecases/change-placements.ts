import { OrbisError, type MadeOfMany } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Actor } from '../store/embeds.ts';
import { endAllOn } from '../store/gone-places.ts';
import { holdPlacements, pauseThese, rowsOfMarks, type OneOfMany } from '../store/many-placements.ts';
import { markPage } from '../store/mark-stale.ts';
import { dropNeedsOfEmptyPage } from '../store/needs.ts';
import { placeOf } from './page-plan.ts';
import { numberOfChange } from './standing.ts';

/* So many of them are named where it is told what was done. */
const mostNamed = 3;

/**
 * Pauses many placements at once, lets them go on or ends them: all of them, or none.
 * @returns the ids of those that were not so already.
 * @throws OrbisError `not-found` where one of them is not there, or has ended
 */
export const changePlacements = (
  db: Database,
  { placements, make }: { placements: readonly string[]; make: MadeOfMany },
  actor: Actor,
): Promise<string[]> =>
  inTransaction(db, async (tx) => {
    const rows = await rowsOfMarks(db, placements);
    const held = await holdPlacements(tx, [...rows.values()]);
    const there = new Set(held.filter(({ placement }) => placement.active === 1).map(publicId));
    const missing = placements.find((id) => !there.has(id));
    if (missing !== undefined) throw new OrbisError('not-found', { what: 'placement', key: missing });
    const changing = held.filter(
      ({ placement: { pausedAt } }) => make === 'ended' || (pausedAt === null) === (make === 'paused'),
    );
    if (changing.length === 0) return [];
    const change = await record(tx, changing, make, actor);
    await makeThem(tx, changing, make, { change, actor });
    return changing.map(publicId);
  });

const publicId = ({ placement }: OneOfMany): string => placement.publicId;

async function makeThem(
  tx: Handle,
  changing: readonly OneOfMany[],
  make: MadeOfMany,
  { change, actor: { now } }: { change: number; actor: Actor },
): Promise<void> {
  const ids = changing.map(({ id }) => id);
  if (make === 'ended') await endAllOn(tx, { ids }, change, now);
  else await pauseThese(tx, ids, make === 'paused' ? now : null);
  await markPagesOf(tx, changing, now);
}

/** Their pages are planned again; those on which nothing is left need nothing any more. */
export async function markPagesOf(tx: Handle, rows: readonly OneOfMany[], now: Date): Promise<void> {
  const pages = new Map(rows.map(({ placement }) => [placement.pageId, placement]));
  for (const [pageId, { siteId }] of [...pages].sort(([a], [b]) => a - b)) {
    await dropNeedsOfEmptyPage(tx, { pageId, siteId }, now);
    await markPage(tx, pageId);
  }
}

const record = (
  tx: Handle,
  changing: readonly OneOfMany[],
  make: MadeOfMany,
  actor: Actor,
): Promise<number> =>
  numberOfChange(
    tx,
    {
      facts: {
        kind: 'placements',
        make,
        placements: changing.slice(0, mostNamed).map((row) => `${row.embed.key} in ${placeOf(row)}`),
        count: changing.length,
      },
      effect: {
        of: 'placements',
        make,
        before: changing.map(({ id, placement: { pausedAt } }) => ({
          placementId: id,
          pausedAt: pausedAt?.toISOString() ?? null,
        })),
        after: null,
      },
    },
    actor,
  );
