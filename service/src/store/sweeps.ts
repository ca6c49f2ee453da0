import { and, asc, eq, gt, inArray, sql, type SQL } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { digest } from '../digest.ts';
import type { Actor } from './embeds.ts';
import { newPublicId } from './ids.ts';
import { insertMany } from './insert-many.ts';
import type { JobRow } from './jobs.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import { embed, job, page, placement, sighting, site, spot, sweepPage, type SightedState } from './schema.ts';
import { recordHead, type HeadSeen } from './site-heads.ts';
import { isGoneEverywhere, isTold, recordSeen, recordSeenInBlock, type PlacementResult } from './seen.ts';
import { markPage } from './mark-stale.ts';

export type SweepPageRow = typeof sweepPage.$inferSelect;

/** What a sweep reads: a site or a page by its key, or all; and the further address at which it does. */
export type SweptScope = Pick<JobRow, 'scope' | 'address'>;

/**
 * Writes down a sweep of these pages. Call it in a transaction.
 * @throws the driver's duplicate-key error where one of the same scope has not ended: so of many that ask at
 * once one is let through.
 */
export async function insertSweep(
  tx: Handle,
  { scope, address }: SweptScope,
  pageIds: readonly number[],
  { by, now }: Actor,
): Promise<string> {
  const publicId = newPublicId();
  const [{ insertId }] = await tx.insert(job).values({
    publicId,
    kind: 'sweep',
    scope,
    address,
    exclusiveKey: exclusiveKey({ scope, address }),
    pages: pageIds.length,
    createdAt: now,
    createdBy: by,
  });
  await tx.insert(sweepPage).values(pageIds.map((pageId) => ({ jobId: insertId, pageId })));
  return publicId;
}

/** A sweep of the same scope that has not ended. */
export async function runningSweep(db: Handle, scope: SweptScope): Promise<JobRow | null> {
  const [found] = await db
    .select()
    .from(job)
    .where(eq(job.exclusiveKey, exclusiveKey(scope)));
  return found ?? null;
}

const exclusiveKey = ({ scope, address }: SweptScope): string =>
  digest(`sweep ${scope ?? ''}${address === null ? '' : ` ${address}`}`);

export interface PageOfSweep {
  id: number;
  sweepPage: SweepPageRow;
  page: typeof page.$inferSelect;
  site: typeof site.$inferSelect;
  /** The further address of its site at which it is read; null for the site’s own. */
  address: string | null;
}

export async function nextPage(db: Handle, jobId: number): Promise<PageOfSweep | null> {
  const [row] = await pagesOfJob(db, and(eq(sweepPage.jobId, jobId), eq(sweepPage.state, 'waiting')), 1);
  return row ?? null;
}

/* Ids first: where tables are joined before the limit, the database may begin with all pages of a site. */
async function pagesOfJob(db: Handle, where: SQL | undefined, limit: number): Promise<PageOfSweep[]> {
  const found = await db
    .select({ id: sweepPage.id })
    .from(sweepPage)
    .where(where)
    .orderBy(asc(sweepPage.id))
    .limit(limit);
  if (found.length === 0) return [];
  const ids = found.map(({ id }) => id);
  return db
    .select({ id: sweepPage.id, sweepPage, page, site, address: job.address })
    .from(sweepPage)
    .innerJoin(job, eq(job.id, sweepPage.jobId))
    .innerJoin(page, eq(page.id, sweepPage.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .where(isOneOf(sweepPage.id, ids))
    .orderBy(asc(sweepPage.id));
}

export async function listSweepPages(
  db: Handle,
  jobId: number,
  limit: number,
  after: string | undefined,
): Promise<PageOfSweep[]> {
  const from = afterId(after);
  const behind = from === null ? undefined : gt(sweepPage.id, from);
  return pagesOfJob(db, and(eq(sweepPage.jobId, jobId), behind), limit + 1);
}

/** What a sweep saw on these pages. */
export async function sightingsOf(db: Handle, sweepPageIds: readonly number[]) {
  if (sweepPageIds.length === 0) return [];
  return db
    .select({
      sighting,
      placement: placement.publicId,
      embed: embed.key,
      spot: spot.name,
      path: page.path,
    })
    .from(sighting)
    .innerJoin(placement, eq(placement.id, sighting.placementId))
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, placement.pageId))
    .where(inArray(sighting.sweepPageId, [...sweepPageIds]))
    .orderBy(asc(sighting.id));
}

export interface PageResult {
  state: 'read' | 'unreachable';
  status: number | null;
  why: string | null;
  digest: string | null;
  seen: PlacementResult[];
  /** Placements that had ended, and are not on the page any more. */
  gone: { id: number; isOfBlock: boolean }[];
  /** What it says of the head of its site. */
  head: HeadSeen[];
}

/**
 * Writes down what a page showed, and what that says of each placement, in one transaction; at a further
 * address it says nothing of them. A process that was stopped and lost its lease meanwhile writes nothing.
 * @returns whether it was still this process's to write.
 */
export async function recordPage(
  db: Database,
  owner: string,
  row: PageOfSweep,
  result: PageResult,
  now: Date,
): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    const held = await lockPage(tx, owner, row);
    if (held === null) return false;
    const { state, status, why, digest } = result;
    await tx
      .update(sweepPage)
      .set({ state, status, why: why?.slice(0, 300) ?? null, digest, readAt: now })
      .where(eq(sweepPage.id, row.sweepPage.id));
    if (row.address === null) await recordPublished(tx, row, result, now);
    const seen = result.seen.filter(isTold);
    await insertSightings(tx, row.sweepPage.id, seen);
    await tx
      .update(job)
      .set({
        ...(state === 'read'
          ? { pagesRead: sql`${job.pagesRead} + 1` }
          : { pagesUnreachable: sql`${job.pagesUnreachable} + 1` }),
        counts: withSeen(held.counts ?? {}, seen),
      })
      .where(eq(job.id, row.sweepPage.jobId));
    return true;
  });
}

/* What a published page says of its placements and of the head of its site. */
async function recordPublished(
  tx: Handle,
  row: PageOfSweep,
  { state, gone, head, seen }: PageResult,
  now: Date,
): Promise<void> {
  if (state === 'read') await tx.update(page).set({ checkedAt: now }).where(eq(page.id, row.page.id));
  const pageId = row.page.id;
  for (const { id, isOfBlock } of gone)
    if (!isOfBlock || (await isGoneEverywhere(tx, { placementId: id, pageId })))
      await tx.update(placement).set({ seen: 'missing', state: 'missing' }).where(eq(placement.id, id));
  await recordHead(tx, { pageId, siteId: row.site.id }, head, now);
  const times = { read: state === 'read' ? now : null, now };
  let changes = false;
  for (const each of seen)
    if (each.block === null) await recordSeen(tx, each, times);
    else if (await recordSeenInBlock(tx, row, each, times)) changes = true;
  // What a page needs depends on the blocks that it shows.
  if (changes) await markPage(tx, pageId);
}

const insertSightings = (
  tx: Handle,
  sweepPageId: number,
  seen: readonly PlacementResult[],
): Promise<unknown> =>
  insertMany(
    tx,
    sighting,
    seen.map(({ placementId, state, delivery, line, findings }) => ({
      sweepPageId,
      ...{ placementId, state, delivery, line, findings },
    })),
  );

/* The job with its page, locked; null where it is not this process's any more, or another has written
   the page. */
async function lockPage(
  tx: Handle,
  owner: string,
  row: PageOfSweep,
): Promise<{ counts: StateCounts | null } | null> {
  const [held] = await tx
    .select({ owner: job.leaseOwner, state: job.state, counts: job.counts })
    .from(job)
    .where(eq(job.id, row.sweepPage.jobId))
    .for('update');
  const [waiting] = await tx
    .select({ state: sweepPage.state })
    .from(sweepPage)
    .where(eq(sweepPage.id, row.sweepPage.id))
    .for('update');
  return held?.owner === owner && held.state === 'running' && waiting?.state === 'waiting' ? held : null;
}

type StateCounts = Partial<Record<SightedState, number>>;

function withSeen(counts: StateCounts, seen: readonly PlacementResult[]): StateCounts {
  const sum = { ...counts };
  for (const { state } of seen) sum[state] = (sum[state] ?? 0) + 1;
  return sum;
}
