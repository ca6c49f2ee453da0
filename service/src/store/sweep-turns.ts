import {
  and,
  asc,
  desc,
  eq,
  gte,
  inArray,
  isNull,
  lt,
  lte,
  notInArray,
  or,
  sql,
  type SQL,
} from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { JobRow } from './jobs.ts';
import { databaseNow, job, sweepLane, sweptHost } from './schema.ts';

/** A host that a process reads from. */
export type HeldHost = Pick<typeof sweptHost.$inferSelect, 'id' | 'name'>;

/** The sweep that a host is read for next. */
export interface Turn {
  lane: typeof sweepLane.$inferSelect;
  job: JobRow;
}

/* Long enough for the slowest page, short enough that a killed process is soon replaced. */
const leaseSeconds = 60;
const inSeconds = (seconds: number): SQL =>
  sql`${databaseNow} + INTERVAL ${sql.raw(String(Math.ceil(seconds)))} SECOND`;

const isFree = or(isNull(sweptHost.leaseUntil), lt(sweptHost.leaseUntil, databaseNow));
const isAsked = or(isNull(sweptHost.pausedUntil), lte(sweptHost.pausedUntil, databaseNow));
/** That nobody reads from a host, and that it may be asked. */
export const hostIsFree = and(isFree, isAsked);
const hasTurn = inArray(job.state, ['waiting', 'running']);

/* So many hosts are looked at; another process may take one of them in between. */
const candidates = 20;

/**
 * Takes a host that a sweep has still to read from, that nobody reads from, and that may be asked; null where
 * there is none.
 */
export async function claimHost(db: Database, owner: string): Promise<HeldHost | null> {
  const found = await db
    .selectDistinct({ id: sweptHost.id, name: sweptHost.name })
    .from(sweepLane)
    .innerJoin(job, eq(job.id, sweepLane.jobId))
    .innerJoin(sweptHost, eq(sweptHost.id, sweepLane.hostId))
    .where(and(hasTurn, hostIsFree))
    .orderBy(asc(sweptHost.id))
    .limit(candidates);
  for (const host of found) if (await takeHost(db, host, owner)) return host;
  return null;
}

/** Takes a host; false where somebody else has. */
export async function takeHost(db: Database, { id }: HeldHost, owner: string): Promise<boolean> {
  const [{ affectedRows }] = await db
    .update(sweptHost)
    .set({ leaseOwner: owner, leaseUntil: inSeconds(leaseSeconds), pausedUntil: null })
    .where(and(eq(sweptHost.id, id), hostIsFree));
  return affectedRows === 1;
}

/** Keeps a host for longer. @returns whether it is still this owner’s. */
export async function keepHost(db: Handle, { id }: HeldHost, owner: string): Promise<boolean> {
  const [{ affectedRows }] = await db
    .update(sweptHost)
    .set({ leaseUntil: inSeconds(leaseSeconds) })
    .where(and(eq(sweptHost.id, id), eq(sweptHost.leaseOwner, owner)));
  return affectedRows === 1;
}

/**
 * What a host is read for next. What has to stop comes first, so that it soon has; then the smallest, so that
 * whoever wants to know of one page does not wait for ten thousand.
 */
export async function nextTurn(db: Handle, host: HeldHost): Promise<Turn | null> {
  const [turn] = await db
    .select({ lane: sweepLane, job })
    .from(sweepLane)
    .innerJoin(job, eq(job.id, sweepLane.jobId))
    .where(and(eq(sweepLane.hostId, host.id), hasTurn))
    .orderBy(desc(job.stopAsked), asc(job.pages), asc(job.id))
    .limit(1);
  return turn ?? null;
}

/** A sweep runs from its first page on. */
export const beginToRun = async (db: Handle, id: number, now: Date): Promise<void> =>
  void (await db
    .update(job)
    .set({ state: 'running', startedAt: sql`coalesce(${job.startedAt}, ${now})` })
    .where(and(eq(job.id, id), eq(job.state, 'waiting'))));

/** Lets go of a host; for so many seconds nobody asks it, where it wants that. */
export const letHostGo = async (
  db: Handle,
  { id }: HeldHost,
  owner: string,
  pauseSeconds = 0,
): Promise<void> =>
  void (await db
    .update(sweptHost)
    .set({
      leaseOwner: null,
      leaseUntil: null,
      ...(pauseSeconds > 0 && { pausedUntil: inSeconds(pauseSeconds) }),
    })
    .where(and(eq(sweptHost.id, id), eq(sweptHost.leaseOwner, owner))));

/** Takes a sweep off a host, of which it has read all; whoever takes it off the last one ends it. */
export const closeLane = (db: Database, { lane, job: of }: Turn, now: Date): Promise<void> =>
  closeLanes(db, of.id, eq(sweepLane.id, lane.id), now);

/** Takes a sweep off the hosts that nobody reads from; where it is on no other, it ends. */
export const closeIdleLanes = (db: Database, jobId: number, now: Date): Promise<void> =>
  closeLanes(
    db,
    jobId,
    notInArray(
      sweepLane.hostId,
      db.select({ id: sweptHost.id }).from(sweptHost).where(gte(sweptHost.leaseUntil, databaseNow)),
    ),
    now,
  );

/** Ends a sweep that cannot go on. */
export const failSweep = (db: Database, id: number, now: Date): Promise<void> =>
  inTransaction(db, async (tx) => {
    await tx.select({ id: job.id }).from(job).where(eq(job.id, id)).for('update');
    await tx.delete(sweepLane).where(eq(sweepLane.jobId, id));
    await tx
      .update(job)
      .set({ state: 'failed', endedAt: now, exclusiveKey: null })
      .where(and(eq(job.id, id), hasTurn));
  });

const closeLanes = (db: Database, jobId: number, which: SQL, now: Date): Promise<void> =>
  inTransaction(db, async (tx) => {
    // Of two that take off the last ones at once, the second sees what the first did.
    await tx.select({ id: job.id }).from(job).where(eq(job.id, jobId)).for('update');
    await tx.delete(sweepLane).where(and(eq(sweepLane.jobId, jobId), which));
    const [left] = await tx
      .select({ id: sweepLane.id })
      .from(sweepLane)
      .where(eq(sweepLane.jobId, jobId))
      .limit(1);
    if (left) return;
    await tx
      .update(job)
      .set({
        state: sql`if(${job.stopAsked} = 1, 'stopped', 'done')`,
        endedAt: now,
        exclusiveKey: null,
      })
      .where(and(eq(job.id, jobId), inArray(job.state, ['waiting', 'running', 'paused'])));
  });

/** A host that asked to be left alone for a while, and the sweep that waits for it. */
export interface WaitedFor {
  jobId: number;
  host: string;
  until: Date;
}

/** The hosts that these sweeps wait for. */
export async function waitedFor(db: Handle, jobIds: readonly number[]): Promise<WaitedFor[]> {
  if (jobIds.length === 0) return [];
  const rows = await db
    .select({ jobId: sweepLane.jobId, host: sweptHost.name, until: sweptHost.pausedUntil })
    .from(sweepLane)
    .innerJoin(sweptHost, eq(sweptHost.id, sweepLane.hostId))
    .where(and(inArray(sweepLane.jobId, [...jobIds]), sql`${sweptHost.pausedUntil} > ${databaseNow}`))
    .orderBy(asc(sweptHost.name));
  return rows.map(({ jobId, host, until }) => ({ jobId, host, until: until! }));
}
