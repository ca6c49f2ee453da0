import { and, desc, eq, sql } from 'drizzle-orm';
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
): Promise<{ embeds: boolean; spots: boolean; placements: boolean; live: boolean }> {
  const live = and(eq(placement.active, 1), eq(placement.state, 'live'));
  const [embeds, spots, placements, seen] = await Promise.all([
    db.select({ id: embed.id }).from(embed).limit(1),
    db.select({ id: spot.id }).from(spot).limit(1),
    db.select({ id: placement.id }).from(placement).limit(1),
    db.select({ id: placement.id }).from(placement).where(live).limit(1),
  ]);
  const isThere = (rows: unknown[]): boolean => rows.length > 0;
  return {
    ...{ embeds: isThere(embeds), spots: isThere(spots) },
    ...{ placements: isThere(placements), live: isThere(seen) },
  };
}

/** When a sweep last came to its end. */
export async function lastSwept(db: Handle): Promise<Date | null> {
  const [row] = await db
    .select({ endedAt: job.endedAt })
    .from(job)
    .where(and(eq(job.kind, 'sweep'), eq(job.state, 'done')))
    .orderBy(desc(job.id))
    .limit(1);
  return row?.endedAt ?? null;
}
