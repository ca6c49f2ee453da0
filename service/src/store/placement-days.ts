import { and, asc, eq, gte, sql } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { OutOfDateFor } from '@orbis/contract';
import { placementAge, placementDay } from './schema.ts';

/* For how many days it is kept, and how much goes at once. */
const [daysKept, goesAtOnce] = [400, 1000];

/**
 * Writes down how many placements are in each state on each site today, and for how long they have been out
 * of date, in the place of what was.
 */
export async function countDay(db: Database, now: Date): Promise<void> {
  const day = dayOf(now);
  await inTransaction(db, async (tx) => {
    await tx.delete(placementDay).where(eq(placementDay.day, day));
    await tx.execute(
      sql`insert into ${placementDay} (site_id, day, state, count)
        select site_id, ${day}, state, count(*) from placement where active = 1 group by site_id, state`,
    );
    await countAges(tx, now);
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

/* Beyond the first of these days something is a day old, and so on. */
const upTo = [
  ['day', 1],
  ['week', 7],
  ['month', 30],
  ['quarter', 90],
] as const satisfies [OutOfDateFor, number][];

async function countAges(tx: Handle, now: Date): Promise<void> {
  const [longer, unknown] = ['longer', 'unknown'] as const satisfies OutOfDateFor[];
  const steps = upTo.map(([age, days]) => {
    const since = new Date(now.getTime() - days * 86_400_000);
    return sql`when state_since >= ${since} then ${age}`;
  });
  await tx.delete(placementAge);
  await tx.execute(
    sql`insert into ${placementAge} (site_id, age, count)
      select site_id, case when state_since is null then ${unknown} ${sql.join(steps, sql` `)} else ${longer} end as age,
        count(*)
      from placement where active = 1 and state = 'out-of-date' group by site_id, age`,
  );
}

/** For how long placements have been out of date: on a site, or in all. */
export const outOfDateAges = (
  db: Handle,
  siteId: number | undefined,
): Promise<Pick<typeof placementAge.$inferSelect, 'age' | 'count'>[]> =>
  db
    .select({ age: placementAge.age, count: sql<number>`sum(${placementAge.count})`.mapWith(Number) })
    .from(placementAge)
    .where(siteId === undefined ? undefined : eq(placementAge.siteId, siteId))
    .groupBy(placementAge.age);
