import { and, asc, eq, isNull, lte } from 'drizzle-orm';
import type { Database } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { nextTimeOf } from './next-time.ts';
import { databaseNow, job, site } from './schema.ts';
import { eachOf } from './each-of.ts';
import { insertSweep } from './sweeps.ts';

/* So many are begun in one go; the others a second later. */
const together = 20;

/**
 * Begins the sweeps of the sites whose time has come. One that came while nothing ran is made up for once;
 * one that comes while the same site is still being read is left out.
 */
export async function beginDueSweeps(db: Database, now: Date): Promise<void> {
  const due = await db
    .select({ id: site.id })
    .from(site)
    .where(and(lte(site.nextSweepAt, databaseNow), isNull(site.goneAt)))
    .orderBy(asc(site.nextSweepAt))
    .limit(together);
  await eachOf(due, ({ id }) => beginDue(db, id, now));
}

const beginDue = (db: Database, id: number, now: Date): Promise<void> =>
  inTransaction(db, async (tx) => {
    const [row] = await tx
      .select()
      .from(site)
      .where(and(eq(site.id, id), lte(site.nextSweepAt, databaseNow)))
      .for('update');
    // Another process has begun it.
    if (!row) return;
    await tx
      .update(site)
      .set({ nextSweepAt: nextTimeOf(row.schedule, now) })
      .where(eq(site.id, id));
    try {
      const scope = { scope: row.key, address: null };
      const begun = await insertSweep(tx, scope, { sites: [row], pageIds: null }, { by: null, now });
      if (begun.pages === 0) await tx.delete(job).where(eq(job.publicId, begun.id));
    } catch (error) {
      if (!isDuplicate(error)) throw error;
    }
  });
