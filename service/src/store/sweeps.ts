import { and, asc, desc, eq, gt, inArray, isNull, lt, ne, sql, type SQL } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { digest } from '../digest.ts';
import { keepFound, type Found } from './findings.ts';
import { newPublicId } from './ids.ts';
import { tellOfSeen, type SeenOtherwise } from './history.ts';
import { insertMany } from './insert-many.ts';
import type { JobRow } from './jobs.ts';
import { isOneOf } from './one-of.ts';
import { keepRead, lastReadOf, seenAgain, shownDigestOf, type PageReadRow } from './page-reads.ts';
import { afterId } from './pages.ts';
import {
  embed,
  job,
  page,
  placement,
  sighting,
  site,
  spot,
  sweepLane,
  sweepPage,
  sweptHost,
  type SightedState,
  type StoredFinding,
} from './schema.ts';
import type { SiteRow } from './places.ts';
import { recordHead, type HeadSeen } from './site-heads.ts';
import { isGoneEverywhere, isTold, recordSeen, recordSeenInBlock, type PlacementResult } from './seen.ts';
import { markPage } from './mark-stale.ts';
import { inState } from './stale.ts';
import { hostNamed } from './swept-hosts.ts';

export type SweepPageRow = typeof sweepPage.$inferSelect;

/** What a sweep reads: a site or a page by its key, or all; and the further address at which it does. */
export type SweptScope = Pick<JobRow, 'scope' | 'address'>;

/** What a sweep reads: the pages of these sites, or only some of them. Blocks are no pages by themselves. */
export interface SweptPages {
  sites: readonly Pick<SiteRow, 'id' | 'address'>[];
  pageIds: readonly number[] | null;
}

/**
 * Writes down a sweep, with the hosts that it reads from. Call it in a transaction.
 * @returns its id, and how many pages it has.
 * @throws the driver's duplicate-key error where one of the same scope has not ended: so of many that ask at
 * once one is let through.
 */
export async function insertSweep(
  tx: Handle,
  { scope, address }: SweptScope,
  { sites, pageIds }: SweptPages,
  { by, now }: { by: number | null; now: Date },
): Promise<{ id: string; pages: number }> {
  const publicId = newPublicId();
  const [{ insertId }] = await tx.insert(job).values({
    publicId,
    kind: 'sweep',
    scope,
    address,
    exclusiveKey: exclusiveKey({ scope, address }),
    createdAt: now,
    createdBy: by,
  });
  let pages = 0;
  for (const each of sites) {
    const hostId = await hostNamed(tx, new URL(address ?? each.address).host);
    // From one table into the other: a large site is not read into memory.
    const [{ affectedRows }] = (await tx.execute(
      sql`insert into ${sweepPage} (job_id, page_id, host_id)
          select ${insertId}, ${page.id}, ${hostId} from ${page}
          where ${and(
            eq(page.siteId, each.id),
            isNull(page.goneAt),
            isNull(page.stands),
            pageIds === null ? undefined : isOneOf(page.id, pageIds),
          )} order by ${page.id}`,
    )) as unknown as [{ affectedRows: number }];
    if (affectedRows === 0) continue;
    await tx.insert(sweepLane).ignore().values({ jobId: insertId, hostId });
    pages += affectedRows;
  }
  await tx.update(job).set({ pages }).where(eq(job.id, insertId));
  return { id: publicId, pages };
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

/** The next page that a sweep reads from a host; null where it has read all of it. */
export async function nextPage(
  db: Handle,
  { jobId, hostId }: Pick<typeof sweepLane.$inferSelect, 'jobId' | 'hostId'>,
): Promise<PageOfSweep | null> {
  const waiting = and(
    eq(sweepPage.jobId, jobId),
    eq(sweepPage.hostId, hostId),
    eq(sweepPage.state, 'waiting'),
  );
  const [row] = await pagesOfJob(db, waiting, 1);
  return row ?? null;
}

/** Leaves a page for later, as its host is too busy for it now. */
export const leaveForLater = async (db: Handle, { id }: Pick<PageOfSweep, 'id'>): Promise<void> =>
  void (await db
    .update(sweepPage)
    .set({ tries: sql`${sweepPage.tries} + 1` })
    .where(and(eq(sweepPage.id, id), eq(sweepPage.state, 'waiting'))));

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

/**
 * Where something new was seen on a page, the newest first, with one row more at the end: what each says
 * depends on what was seen before it.
 */
export async function listNewsOf(
  db: Handle,
  pageId: number,
  limit: number,
  after: string | undefined,
): Promise<(SweepPageRow & { sweep: string })[]> {
  const from = afterId(after);
  const rows = await db
    .select({ sweepPage, sweep: job.publicId })
    .from(sweepPage)
    .innerJoin(job, eq(job.id, sweepPage.jobId))
    .where(
      and(
        eq(sweepPage.pageId, pageId),
        isNull(sweepPage.sameAs),
        ne(sweepPage.state, 'waiting'),
        from === null ? undefined : lt(sweepPage.id, from),
      ),
    )
    .orderBy(desc(sweepPage.id))
    .limit(limit + 1);
  return rows.map(({ sweepPage: row, sweep }) => ({ ...row, sweep }));
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
  /** What was found on the page as a whole. */
  findings: StoredFinding[];
  /** All that was found there and wants attention, of its placements too. */
  found: Found[];
  /** By which it is known again when it is read the next time. */
  kept: Pick<PageReadRow, 'basis' | 'content' | 'etag'>;
}

/** A page that is as it was, of which nothing else is expected than before. */
export interface SamePage {
  state: 'same';
  status: number;
  known: PageReadRow;
  /** By which its host knows it now. */
  etag: string;
}

/**
 * Writes down what a page showed, and what that says of each placement, in one transaction; at a further
 * address it says nothing of them. A process that was stopped and lost the host meanwhile writes nothing.
 * @returns whether it was still this process's to write.
 */
export async function recordPage(
  db: Database,
  owner: string,
  row: PageOfSweep,
  result: PageResult | SamePage,
  now: Date,
): Promise<boolean> {
  return inTransaction(db, async (tx) => {
    if (!(await lockPage(tx, owner, row))) return false;
    await (result.state === 'same' ? recordSame(tx, row, result, now) : recordRead(tx, row, result, now));
    return true;
  });
}

/* What was seen, where it is something new; else that it is as it was. */
async function recordRead(tx: Handle, row: PageOfSweep, result: PageResult, now: Date): Promise<void> {
  const { state, status, why: whole, digest: text, findings, kept } = result;
  const { id, jobId } = row.sweepPage;
  const why = whole?.slice(0, 300) ?? null;
  const seen = result.seen.filter(isTold);
  const shown = shownDigestOf({ state, status, why, seen, findings });
  // What is to be seen at a further address says nothing of what is published.
  const isPublished = row.address === null;
  const last = isPublished ? await lastReadOf(tx, row.page.id) : null;
  const sameAs = !isPublished ? id : last?.shown === shown ? last.shownBy : null;
  await tx
    .update(sweepPage)
    .set({
      ...{ state, status, why, digest: text, readAt: now, sameAs },
      findings: findings.length > 0 ? findings : null,
    })
    .where(eq(sweepPage.id, id));
  if (isPublished) await recordPublished(tx, row, result, now);
  if (sameAs === null || !isPublished) await insertSightings(tx, id, seen);
  if (isPublished)
    await keepRead(tx, { pageId: row.page.id, shownBy: sameAs ?? id, shown, ...kept, head: result.head });
  await countPage(tx, jobId, state, seen);
}

/* What was seen before was seen again. */
async function recordSame(
  tx: Handle,
  row: PageOfSweep,
  { status, known, etag }: SamePage,
  now: Date,
): Promise<void> {
  const { shownBy: sameAs, content } = known;
  await tx
    .update(sweepPage)
    .set({ state: 'read', status, digest: content, readAt: now, sameAs })
    .where(eq(sweepPage.id, row.sweepPage.id));
  await tx.update(page).set({ checkedAt: now }).where(eq(page.id, row.page.id));
  if (etag !== known.etag) await keepRead(tx, { ...known, etag });
  await recordHead(tx, { pageId: row.page.id, siteId: row.site.id }, known.head, now);
  await countPage(tx, row.sweepPage.jobId, 'read', await seenAgain(tx, known, now));
}

/* Last of all, as the pages of other hosts are counted there as well. */
async function countPage(
  tx: Handle,
  jobId: number,
  state: PageResult['state'],
  seen: readonly Pick<PlacementResult, 'state'>[],
): Promise<void> {
  const [row] = await tx.select({ counts: job.counts }).from(job).where(eq(job.id, jobId)).for('update');
  await tx
    .update(job)
    .set({
      ...(state === 'read'
        ? { pagesRead: sql`${job.pagesRead} + 1` }
        : { pagesUnreachable: sql`${job.pagesUnreachable} + 1` }),
      counts: withSeen(row?.counts ?? {}, seen),
    })
    .where(eq(job.id, jobId));
}

/* What a published page says of its placements and of the head of its site. */
async function recordPublished(
  tx: Handle,
  row: PageOfSweep,
  { state, gone, head, seen, found }: PageResult,
  now: Date,
): Promise<void> {
  if (state === 'read') await tx.update(page).set({ checkedAt: now }).where(eq(page.id, row.page.id));
  const pageId = row.page.id;
  for (const { id, isOfBlock } of gone)
    if (!isOfBlock || (await isGoneEverywhere(tx, { placementId: id, pageId })))
      await tx
        .update(placement)
        .set({ seen: 'missing', ...inState(sql`'missing'`, now) })
        .where(eq(placement.id, id));
  await recordHead(tx, { pageId, siteId: row.site.id }, head, now);
  const times = { read: state === 'read' ? now : null, now };
  let changes = false;
  const otherwise: SeenOtherwise[] = [];
  for (const each of seen)
    if (each.block === null) {
      await recordSeen(tx, each, times);
      otherwise.push(each);
    } else {
      const inBlock = await recordSeenInBlock(tx, row, each, times);
      changes ||= inBlock.changes;
      otherwise.push(inBlock);
    }
  await tellOfSeen(
    tx,
    otherwise.filter(({ was, state: is }) => was !== is),
    now,
  );
  // What a page needs depends on the blocks that it shows.
  if (changes) await markPage(tx, pageId);
  await keepFound(tx, `page:${pageId}`, found, now);
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

/* Locks the host with the page; false where it is not this process’s any more, the sweep has ended, or
   another has written the page. */
async function lockPage(tx: Handle, owner: string, { sweepPage: of }: PageOfSweep): Promise<boolean> {
  const [host] = await tx
    .select({ owner: sweptHost.leaseOwner })
    .from(sweptHost)
    .where(eq(sweptHost.id, of.hostId!))
    .for('update');
  const [waiting] = await tx
    .select({ state: sweepPage.state })
    .from(sweepPage)
    .where(eq(sweepPage.id, of.id))
    .for('update');
  const [sweep] = await tx.select({ endedAt: job.endedAt }).from(job).where(eq(job.id, of.jobId));
  return host?.owner === owner && sweep?.endedAt === null && waiting?.state === 'waiting';
}

type StateCounts = Partial<Record<SightedState, number>>;

function withSeen(counts: StateCounts, seen: readonly Pick<PlacementResult, 'state'>[]): StateCounts {
  const sum = { ...counts };
  for (const { state } of seen) sum[state] = (sum[state] ?? 0) + 1;
  return sum;
}
