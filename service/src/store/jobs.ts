import { and, asc, desc, eq, inArray, isNull, lt, lte, or, sql } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { newPublicId } from './ids.ts';
import { afterId } from './pages.ts';
import { databaseNow, job } from './schema.ts';
import { inTransaction } from '../database/transaction.ts';

export type JobRow = typeof job.$inferSelect;
export type JobKind = JobRow['kind'];

/* Long enough for the slowest page, short enough that a killed process is soon replaced. */
const leaseSeconds = 60;
const lease = sql`${databaseNow} + INTERVAL ${sql.raw(String(leaseSeconds))} SECOND`;

export async function findJob(db: Handle, publicId: string): Promise<JobRow | null> {
  const [row] = await db.select().from(job).where(eq(job.publicId, publicId));
  return row ?? null;
}

export async function listJobs(
  db: Handle,
  kind: JobKind,
  limit: number,
  after: string | undefined,
): Promise<JobRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(job)
    .where(and(eq(job.kind, kind), from === null ? undefined : lt(job.id, from)))
    .orderBy(desc(job.id))
    .limit(limit + 1);
}

const isDue = or(isNull(job.runAt), lte(job.runAt, databaseNow));

/**
 * Takes one job of this kind that waits, or whose holder has not been heard of for a
 * minute; null where there is none.
 */
export async function claimJob(db: Database, kind: JobKind, owner: string): Promise<JobRow | null> {
  return inTransaction(db, async (tx) => {
    const [found] = await tx
      .select()
      .from(job)
      .where(
        and(
          eq(job.kind, kind),
          or(
            and(eq(job.state, 'waiting'), isDue),
            and(eq(job.state, 'running'), lt(job.leaseUntil, databaseNow)),
          ),
        ),
      )
      .orderBy(asc(job.id))
      .limit(1)
      .for('update', { skipLocked: true });
    if (!found) return null;
    await tx
      .update(job)
      .set({
        state: 'running',
        leaseOwner: owner,
        leaseUntil: lease,
        startedAt: found.startedAt ?? new Date(),
      })
      .where(eq(job.id, found.id));
    return { ...found, state: 'running', leaseOwner: owner };
  });
}

/**
 * Lengthens the lease; says whether the job should go on: it is still ours, and nobody asked for it to stop.
 */
export async function renewLease(db: Handle, id: number, owner: string): Promise<'go-on' | 'stop' | 'lost'> {
  await db
    .update(job)
    .set({ leaseUntil: lease })
    .where(and(eq(job.id, id), eq(job.leaseOwner, owner)));
  const [row] = await db.select().from(job).where(eq(job.id, id));
  if (row?.leaseOwner !== owner) return 'lost';
  return row.stopAsked ? 'stop' : 'go-on';
}

/** Gives a job back unfinished, to be taken up again by whoever comes first. */
export const releaseJob = async (db: Handle, id: number, owner: string): Promise<void> =>
  void (await db
    .update(job)
    .set({ leaseUntil: sql`${databaseNow} - INTERVAL 1 SECOND` })
    .where(and(eq(job.id, id), eq(job.leaseOwner, owner))));

/**
 * Puts a job that failed back, to be tried again after a pause that doubles each time; false where it has
 * failed too often.
 */
export async function retryJob(
  db: Handle,
  { id, attempts }: Pick<JobRow, 'id' | 'attempts'>,
  owner: string,
): Promise<boolean> {
  if (attempts + 1 >= mostAttempts) return false;
  const seconds = firstPause * 2 ** attempts;
  await db
    .update(job)
    .set({
      state: 'waiting',
      attempts: attempts + 1,
      leaseOwner: null,
      leaseUntil: null,
      runAt: sql`${databaseNow} + INTERVAL ${sql.raw(String(seconds))} SECOND`,
    })
    .where(and(eq(job.id, id), eq(job.leaseOwner, owner), eq(job.state, 'running')));
  return true;
}

/** Counts that a job has failed once more. */
export const noteAttempt = async (db: Handle, id: number): Promise<void> =>
  void (await db
    .update(job)
    .set({ attempts: sql`${job.attempts} + 1` })
    .where(eq(job.id, id)));

/* So often is a job tried, and so many seconds lie between the first two times. */
const [mostAttempts, firstPause] = [3, 5];

/** Writes down that there are pages to plan, unless that is written down already. */
export async function insertPlanning(db: Handle, now: Date): Promise<void> {
  await db
    .insert(job)
    .ignore()
    .values({
      publicId: newPublicId(),
      kind: 'plan',
      scope: null,
      exclusiveKey: digest('plan'),
      createdAt: now,
      createdBy: null,
    });
}

/** Takes a job away that has nothing to tell once it is done. */
export const removeJob = async (db: Handle, id: number, owner: string): Promise<void> =>
  void (await db.delete(job).where(and(eq(job.id, id), eq(job.leaseOwner, owner))));

/** Ends a job that is this process's; one that another has taken is left to that one. */
export async function endJob(
  db: Handle,
  id: number,
  owner: string,
  state: 'done' | 'stopped' | 'failed',
  now: Date,
): Promise<void> {
  await db
    .update(job)
    .set({ state, endedAt: now, leaseUntil: null, exclusiveKey: null })
    .where(and(eq(job.id, id), eq(job.leaseOwner, owner), eq(job.state, 'running')));
}

/** Holds a job back that has not ended and was not asked to stop; or lets it wait for its turn again. */
export const holdJob = async (db: Handle, id: number, hold: boolean): Promise<void> =>
  void (await db
    .update(job)
    .set({ state: hold ? 'paused' : 'waiting' })
    .where(
      and(
        eq(job.id, id),
        eq(job.stopAsked, 0),
        inArray(job.state, hold ? ['waiting', 'running'] : ['paused']),
      ),
    ));

/** Asks a job to stop; false where it has ended. */
export async function askToStop(db: Handle, id: number): Promise<boolean> {
  const [{ affectedRows }] = await db
    .update(job)
    // What was held back comes on once more, to be taken off its hosts.
    .set({ stopAsked: 1, state: sql`if(${job.state} = 'paused', 'waiting', ${job.state})` })
    .where(and(eq(job.id, id), inArray(job.state, ['waiting', 'running', 'paused'])));
  return affectedRows === 1;
}
