import { and, asc, desc, eq, inArray, lt, or, sql } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { digest } from '../digest.ts';
import { newPublicId } from './ids.ts';
import { afterId } from './pages.ts';
import { databaseNow, embed, job, page, placement, sighting, site, sweepPage, type StoredFinding } from './schema.ts';
import { inTransaction } from '../database/transaction.ts';

export type JobRow = typeof job.$inferSelect;
export type SweepPageRow = typeof sweepPage.$inferSelect;

/* Long enough for the slowest page, short enough that a killed process is soon replaced. */
const leaseSeconds = 60;
const lease = sql`${databaseNow} + INTERVAL ${sql.raw(String(leaseSeconds))} SECOND`;

/**
 * Writes down a sweep of these pages. Call it in a transaction.
 * @throws the driver's duplicate-key error where one of the same scope has not ended: so of many that ask at once one is let through.
 */
export async function insertSweep(tx: Handle, scope: string | null, pageIds: readonly number[], { by, now }: Actor): Promise<string> {
  const publicId = newPublicId();
  const [{ insertId }] = await tx.insert(job).values({ publicId, kind: 'sweep', scope, exclusiveKey: exclusiveKey(scope), createdAt: now, createdBy: by });
  await tx.insert(sweepPage).values(pageIds.map((pageId) => ({ jobId: insertId, pageId })));
  return publicId;
}

/** A sweep of the same scope that has not ended. */
export async function runningSweep(db: Handle, scope: string | null): Promise<JobRow | null> {
  const [found] = await db
    .select()
    .from(job)
    .where(eq(job.exclusiveKey, exclusiveKey(scope)));
  return found ?? null;
}

const exclusiveKey = (scope: string | null): string => digest(`sweep ${scope ?? ''}`);

export async function findJob(db: Handle, publicId: string): Promise<JobRow | null> {
  const [row] = await db.select().from(job).where(eq(job.publicId, publicId));
  return row ?? null;
}

export async function listJobs(db: Handle, limit: number, after: string | undefined): Promise<JobRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(job)
    .where(from === null ? undefined : lt(job.id, from))
    .orderBy(desc(job.id))
    .limit(limit + 1);
}

/** Takes one job that waits, or whose holder has not been heard of for a minute; null where there is none. */
export async function claimJob(db: Database, owner: string): Promise<JobRow | null> {
  return inTransaction(db, async (tx) => {
    const [found] = await tx
      .select()
      .from(job)
      .where(or(eq(job.state, 'waiting'), and(eq(job.state, 'running'), lt(job.leaseUntil, databaseNow))))
      .orderBy(asc(job.id))
      .limit(1)
      .for('update', { skipLocked: true });
    if (!found) return null;
    await tx
      .update(job)
      .set({ state: 'running', leaseOwner: owner, leaseUntil: lease, startedAt: found.startedAt ?? new Date() })
      .where(eq(job.id, found.id));
    return { ...found, state: 'running', leaseOwner: owner };
  });
}

/** Lengthens the lease; says whether the job should go on: it is still ours, and nobody asked for it to stop. */
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

/** Ends a job that is this process's; one that another has taken is left to that one. */
export async function endJob(db: Handle, id: number, owner: string, state: 'done' | 'stopped' | 'failed', now: Date): Promise<void> {
  await db
    .update(job)
    .set({ state, endedAt: now, leaseUntil: null, exclusiveKey: null })
    .where(and(eq(job.id, id), eq(job.leaseOwner, owner), eq(job.state, 'running')));
}

/** Asks a job to stop; false where it has ended. One that nobody has taken yet ends at once. */
export async function askToStop(db: Handle, id: number, now: Date): Promise<boolean> {
  const [waiting] = await db
    .update(job)
    .set({ state: 'stopped', endedAt: now, exclusiveKey: null })
    .where(and(eq(job.id, id), eq(job.state, 'waiting')));
  if (waiting.affectedRows === 1) return true;
  const [running] = await db
    .update(job)
    .set({ stopAsked: 1 })
    .where(and(eq(job.id, id), eq(job.state, 'running')));
  return running.affectedRows === 1;
}

export interface PageOfSweep {
  id: number;
  sweepPage: SweepPageRow;
  page: typeof page.$inferSelect;
  site: typeof site.$inferSelect;
}

export async function nextPage(db: Handle, jobId: number): Promise<PageOfSweep | null> {
  const [row] = await pagesOfJob(db)
    .where(and(eq(sweepPage.jobId, jobId), eq(sweepPage.state, 'waiting')))
    .orderBy(asc(sweepPage.id))
    .limit(1);
  return row ?? null;
}

const pagesOfJob = (db: Handle) =>
  db.select({ id: sweepPage.id, sweepPage, page, site }).from(sweepPage).innerJoin(page, eq(page.id, sweepPage.pageId)).innerJoin(site, eq(site.id, page.siteId));

export async function listSweepPages(db: Handle, jobId: number, limit: number, after: string | undefined): Promise<PageOfSweep[]> {
  const from = afterId(after);
  return pagesOfJob(db)
    .where(and(eq(sweepPage.jobId, jobId), from === null ? undefined : sql`${sweepPage.id} > ${from}`))
    .orderBy(asc(sweepPage.id))
    .limit(limit + 1);
}

/** What a sweep saw on these pages. */
export async function sightingsOf(db: Handle, sweepPageIds: readonly number[]) {
  if (sweepPageIds.length === 0) return [];
  return db
    .select({ sighting, placement: placement.publicId, embed: embed.key })
    .from(sighting)
    .innerJoin(placement, eq(placement.id, sighting.placementId))
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .where(inArray(sighting.sweepPageId, [...sweepPageIds]))
    .orderBy(asc(sighting.id));
}

/** What is written down of one placement: its finding at that time, which may be that it was out of date. */
export interface PlacementResult {
  placementId: number;
  state: (typeof sighting.$inferSelect)['state'];
  delivery: number | null;
  line: number | null;
  /** Whether the page shows its document, by a link. */
  served: boolean;
  findings: StoredFinding[];
}

export interface PageResult {
  state: 'read' | 'unreachable';
  status: number | null;
  why: string | null;
  digest: string | null;
  seen: PlacementResult[];
}

/**
 * Writes down what a page showed, and what that says of each placement, in one transaction. A process that was stopped
 * and lost its lease meanwhile writes nothing.
 * @returns whether it was still this process's to write.
 */
export async function recordPage(db: Database, owner: string, row: PageOfSweep, result: PageResult, now: Date): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    const [held] = await tx.select({ owner: job.leaseOwner, state: job.state }).from(job).where(eq(job.id, row.sweepPage.jobId)).for('update');
    const [waiting] = await tx.select({ state: sweepPage.state }).from(sweepPage).where(eq(sweepPage.id, row.sweepPage.id)).for('update');
    if (held?.owner !== owner || held.state !== 'running' || waiting?.state !== 'waiting') return false;
    const { state, status, why, digest } = result;
    await tx
      .update(sweepPage)
      .set({ state, status, why: why?.slice(0, 300) ?? null, digest, readAt: now })
      .where(eq(sweepPage.id, row.sweepPage.id));
    if (state === 'read') await tx.update(page).set({ checkedAt: now }).where(eq(page.id, row.page.id));
    for (const { placementId, served, ...seen } of result.seen) {
      // That it is out of date is worked out anew whenever somebody asks: only the sighting keeps it.
      const onPage = seen.delivery !== null || served;
      await tx
        .update(placement)
        .set({
          seen: seen.state === 'out-of-date' ? 'live' : seen.state,
          findings: seen.findings.filter((finding) => finding.rule !== 'out-of-date'),
          ...(state === 'read' ? { checkedAt: now } : {}),
          ...(onPage ? { seenDelivery: seen.delivery, lastSeenAt: now } : {}),
        })
        .where(eq(placement.id, placementId));
      await tx.insert(sighting).values({ sweepPageId: row.sweepPage.id, placementId, state: seen.state, delivery: seen.delivery, line: seen.line, findings: seen.findings });
    }
    return true;
  });
}

export interface SweepCounts {
  pages: number;
  read: number;
  unreachable: number;
}

export async function countPages(db: Handle, jobId: number): Promise<SweepCounts> {
  const rows = await db
    .select({ state: sweepPage.state, count: sql<number>`count(*)` })
    .from(sweepPage)
    .where(eq(sweepPage.jobId, jobId))
    .groupBy(sweepPage.state);
  const of = (state: SweepPageRow['state']): number => Number(rows.find((r) => r.state === state)?.count ?? 0);
  return { pages: of('waiting') + of('read') + of('unreachable'), read: of('read'), unreachable: of('unreachable') };
}

/** How many placements a sweep found in each state. */
export async function countStates(db: Handle, jobId: number): Promise<Partial<Record<PlacementResult['state'], number>>> {
  const rows = await db
    .select({ state: sighting.state, count: sql<number>`count(*)` })
    .from(sighting)
    .innerJoin(sweepPage, eq(sweepPage.id, sighting.sweepPageId))
    .where(eq(sweepPage.jobId, jobId))
    .groupBy(sighting.state);
  return Object.fromEntries(rows.map(({ state, count }) => [state, Number(count)]));
}
