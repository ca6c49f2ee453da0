import { and, desc, eq, inArray, isNull, sql, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import type { PlacementRow } from './placements.ts';
import { embed, job, placement, spot } from './schema.ts';

/** How many placements are in a state; beyond this limit they are not counted. */
export async function countInState(db: Handle, state: PlacementRow['state'], limit: number): Promise<number> {
  const first = db
    .select({ id: placement.id })
    .from(placement)
    .where(and(eq(placement.active, 1), eq(placement.state, state)))
    .limit(limit)
    .as('in_state');
  const [row] = await db.select({ count: sql<number>`count(*)`.mapWith(Number) }).from(first);
  return row!.count;
}

/** What there is already. */
export async function whatThereIs(
  db: Handle,
): Promise<{ embeds: boolean; spots: boolean; placements: boolean; seen: boolean }> {
  const onPage = inArray(placement.state, ['live', 'altered', 'out-of-date', 'missing']);
  const seenOf = (active: SQL) =>
    db.select({ id: placement.id }).from(placement).where(and(active, onPage)).limit(1);
  const [embeds, spots, placements, seen, ended] = await Promise.all([
    db.select({ id: embed.id }).from(embed).limit(1),
    db.select({ id: spot.id }).from(spot).limit(1),
    db.select({ id: placement.id }).from(placement).limit(1),
    seenOf(eq(placement.active, 1)),
    seenOf(isNull(placement.active)),
  ]);
  const isThere = (rows: unknown[]): boolean => rows.length > 0;
  return {
    ...{ embeds: isThere(embeds), spots: isThere(spots) },
    ...{ placements: isThere(placements), seen: isThere(seen) || isThere(ended) },
  };
}

/** When a sweep of the published pages last came to its end. */
export async function lastSwept(db: Handle): Promise<Date | null> {
  const [row] = await db
    .select({ endedAt: job.endedAt })
    .from(job)
    .where(and(eq(job.kind, 'sweep'), eq(job.state, 'done'), isNull(job.address)))
    .orderBy(desc(job.id))
    .limit(1);
  return row?.endedAt ?? null;
}
