import { and, asc, eq, gt, or, sql, type SQL } from 'drizzle-orm';
import { mostWaiting } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { placement, siteMarking } from './schema.ts';

/** The next pages that are to be planned. */
export async function stalePages(db: Handle, limit: number): Promise<number[]> {
  const found = await db
    .selectDistinct({ id: placement.pageId })
    .from(placement)
    .where(eq(placement.stale, 'yes'))
    .orderBy(asc(placement.pageId))
    .limit(limit);
  return found.map(({ id }) => id);
}

/** Which of these pages are to be planned. */
export async function staleAmong(db: Handle, pageIds: readonly number[]): Promise<number[]> {
  if (pageIds.length === 0) return [];
  const found = await db
    .selectDistinct({ id: placement.pageId })
    .from(placement)
    .leftJoin(siteMarking, eq(siteMarking.siteId, placement.siteId))
    .where(
      and(
        isOneOf(placement.pageId, pageIds),
        eq(placement.active, 1),
        // Also those that are to be marked yet.
        or(eq(placement.stale, 'yes'), gt(placement.id, siteMarking.upTo)),
      ),
    )
    .orderBy(asc(placement.pageId));
  return found.map(({ id }) => id);
}

/**
 * How many placements are still to be planned; beyond this limit they are not counted, nor while those of a
 * large site are marked.
 */
export async function countStale(db: Handle, limit = mostWaiting): Promise<number> {
  const waiting = db
    .select({ id: placement.id })
    .from(placement)
    .where(eq(placement.stale, 'yes'))
    .limit(limit)
    .as('waiting');
  const [row] = await db
    .select({
      count: sql<number>`count(*)`.mapWith(Number),
      isMarking: sql<number>`exists (select 1 from ${siteMarking})`.mapWith(Number),
    })
    .from(waiting);
  return row!.isMarking === 1 ? limit : row!.count;
}

/** What a plan says of one placement. */
export interface Planned {
  id: number;
  /** How often something had changed when it was read. */
  inputs: number;
  /** Digest of the code for its spot; null where nothing is to stand there. */
  wanted: string | null;
}

/**
 * Writes down what is wanted of placements now, in one statement: a page has many. Which of them that is: not
 * those where something has changed since they were read. Call it in a transaction.
 */
export async function recordWanted(
  tx: Handle,
  planned: readonly Planned[],
  now: Date,
): Promise<ReadonlySet<number>> {
  if (planned.length === 0) return new Set();
  const ids = planned.map(({ id }) => id);
  const asRead = and(
    isOneOf(placement.id, ids),
    eq(
      placement.inputs,
      byId(planned, ({ inputs }) => inputs),
    ),
  );
  const [result] = await tx
    .update(placement)
    .set({
      wanted: byId(planned, ({ wanted }) => wanted),
      stale: 'no',
      // Of the row as it is by then: MariaDB sets the columns one after another.
      ...inState(stateOf(sql`${placement.seen}`, sql`${placement.carried}`, sql`${placement.wanted}`), now),
    })
    .where(asRead);
  if (result.affectedRows === planned.length) return new Set(ids);
  const written = await tx.select({ id: placement.id }).from(placement).where(asRead).for('update');
  return new Set(written.map(({ id }) => id));
}

/* For each row its own value. */
const byId = (planned: readonly Planned[], valueOf: (one: Planned) => number | string | null): SQL =>
  sql`case ${placement.id} ${sql.join(
    planned.map((one) => sql`when ${one.id} then ${valueOf(one)}`),
    sql` `,
  )} end`;

/** Leaves placements of which nothing could be planned until something changes, or the next start. */
export const recordFailed = (
  tx: Handle,
  rows: readonly Pick<Planned, 'id' | 'inputs'>[],
): Promise<unknown[]> =>
  Promise.all(
    rows.map(({ id, inputs }) =>
      tx
        .update(placement)
        .set({ stale: 'failed' })
        .where(and(eq(placement.id, id), eq(placement.inputs, inputs))),
    ),
  );

/**
 * The state of a placement: what was seen live is out of date where something else is wanted by now, and
 * so is what still stands there while it is paused.
 */
export const stateOf = (seen: SQL, carried: SQL, wanted: SQL): SQL => sql`case
  when ${placement.pausedAt} is not null and ${seen} in ('live', 'altered') then 'out-of-date'
  when ${placement.pausedAt} is not null and ${seen} <> 'unreachable' then 'paused'
  when ${seen} = 'live' and ${carried} is not null and ${wanted} is not null
    and ${carried} <> ${wanted} then 'out-of-date'
  else ${seen} end`;

/** A state, and since when a placement is in it: where it is in that already, nothing changes. */
export const inState = (state: SQL, now: Date): { state: SQL; stateSince: SQL } => ({
  stateSince: sql`if(${placement.state} = ${state}, ${placement.stateSince}, ${now})`,
  state,
});
