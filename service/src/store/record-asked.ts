import { eq, sql } from 'drizzle-orm';
import type { ResourceState } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { keepFound, type Found } from './findings.ts';
import { scopeOf, type ResourceRow } from './resources.ts';
import { dueOf } from './resource-turns.ts';
import { askedHost, databaseNow, hostDay, resource, sweptHost } from './schema.ts';

/** What came of asking for something that placed embeds load. */
export interface AskedResult {
  state: ResourceState;
  /** In how many seconds it is asked for again, where anything is by itself. */
  again: number;
  itself: boolean;
  /** Whether something came, whatever it was; null where it was not asked for. */
  answered: boolean | null;
  /** When the certificate of its host ends; null where it has none or that is not known. */
  certificateEnds: Date | null;
  values: Partial<ResourceRow>;
  found: readonly Found[];
}

/* How much the last time counts beside those before it. */
const lastCounts = 0.3;

/**
 * Writes down how something was answered, and what was found, in one transaction. A process that was stopped
 * and lost the host meanwhile writes nothing.
 * @returns whether it was still this process's to write.
 */
export const recordAsked = (
  db: Database,
  owner: string,
  { id, hostId }: Pick<ResourceRow, 'id' | 'hostId'>,
  { state, again, itself, answered, certificateEnds, values, found }: AskedResult,
  now: Date,
): Promise<boolean> =>
  inTransaction(db, async (tx) => {
    const [host] = await tx
      .select({ owner: sweptHost.leaseOwner })
      .from(sweptHost)
      .where(eq(sweptHost.id, hostId))
      .for('update');
    const [before] = await tx.select().from(resource).where(eq(resource.id, id)).for('update');
    if (host?.owner !== owner) return false;
    // Nothing loads it any more.
    if (!before) return true;
    await tx
      .update(resource)
      .set({
        ...values,
        ...{ state, askedAt: now, byHand: 0 },
        nextAt: sql`${databaseNow} + INTERVAL ${sql.raw(String(again))} SECOND`,
      })
      .where(eq(resource.id, id));
    await tx
      .update(askedHost)
      .set({ dueAt: dueOf(hostId, itself) })
      .where(eq(askedHost.hostId, hostId));
    const faulty = Number(state === 'faulty') - Number(before.state === 'faulty');
    await countHost(tx, hostId, { faulty, took: values.took ?? null, certificateEnds }, now);
    if (answered !== null) await countDay(tx, hostId, answered, now);
    await keepFound(tx, scopeOf({ id }), found, now);
    return true;
  });

const countHost = (
  tx: Handle,
  hostId: number,
  {
    faulty,
    took,
    certificateEnds,
  }: { faulty: number; took: number | null } & Pick<AskedResult, 'certificateEnds'>,
  now: Date,
): Promise<unknown> =>
  tx
    .update(askedHost)
    .set({
      ...{ askedAt: now, certificateEnds },
      faulty: sql`${askedHost.faulty} + ${faulty}`,
      ...(took !== null && {
        took: sql`round(coalesce(${askedHost.took} * ${1 - lastCounts} + ${took} * ${lastCounts}, ${took}))`,
      }),
    })
    .where(eq(askedHost.hostId, hostId));

const countDay = (tx: Handle, hostId: number, answered: boolean, now: Date): Promise<unknown> =>
  tx
    .insert(hostDay)
    .values({ hostId, day: now.toISOString().slice(0, 10), asked: 1, answered: Number(answered) })
    .onDuplicateKeyUpdate({
      set: {
        asked: sql`${hostDay.asked} + 1`,
        answered: sql`${hostDay.answered} + ${Number(answered)}`,
      },
    });

/* For how many days it is kept how hosts answered, and how much goes at once. */
const [daysKept, goesAtOnce] = [400, 1000];

/** Takes old days away, a part of them; the rest another time. */
export const dropOldDays = async (db: Handle, now: Date): Promise<void> => {
  const before = new Date(now.getTime() - daysKept * 86_400_000).toISOString().slice(0, 10);
  await db.execute(
    sql`delete from ${hostDay} where ${hostDay.day} < ${before} limit ${sql.raw(String(goesAtOnce))}`,
  );
};
