import { and, asc, eq, gte, sql } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { placementDay } from './schema.ts';

/* For how many days it is kept, and how much goes at once. */
const [daysKept, goesAtOnce] = [400, 1000];

/** Writes down how many placements are in each state on each site today, in the place of what was. */
export async function countDay(db: Database, now: Date): Promise<void> {
  const day = dayOf(now);
  await inTransaction(db, async (tx) => {
    await tx.delete(placementDay).where(eq(placementDay.day, day));
    await tx.execute(
      sql`insert into ${placementDay} (site_id, day, state, count)
        select site_id, ${day}, state, count(*) from placement where active = 1 group by site_id, state`,
    );
  });
  const before = dayOf(new Date(now.getTime() - daysKept * 86_400_000));
  await db.execute(
    sql`delete from ${placementDay} where ${placementDay.day} < ${before} limit ${sql.raw(String(goesAtOnce))}`,
  );
}

const dayOf = (at: Date): string => at.toISOString().slice(0, 10);

/** How many placements were in each state, day by day: on a site, or in all. */
export const placementDays = (
  db: Handle,
  siteId: number | undefined,
  since: string,
): Promise<Pick<typeof placementDay.$inferSelect, 'day' | 'state' | 'count'>[]> =>
  db
    .select({
      ...{ day: placementDay.day, state: placementDay.state },
      count: sql<number>`sum(${placementDay.count})`.mapWith(Number),
    })
    .from(placementDay)
    .where(
      and(gte(placementDay.day, since), siteId === undefined ? undefined : eq(placementDay.siteId, siteId)),
    )
    .groupBy(placementDay.day, placementDay.state)
    .orderBy(asc(placementDay.day));
