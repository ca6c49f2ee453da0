import { and, asc, eq, inArray, isNull, lte, not, or, sql } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { isBlock, pagesShowing } from './blocks.ts';
import { eachOf } from './each-of.ts';
import type { PageRow, SiteRow } from './places.ts';
import { databaseNow, job, page, pageCheck, placement, site } from './schema.ts';
import { insertSweep } from './sweeps.ts';

/* How soon after a tick a page is read, in seconds, where its editor needs no longer; how long the first
   pause is, of which each is three times the one before; and how long it is waited for what was ticked. */
const [soonest, firstPause, growth, patience] = [20, 60, 3, 45 * 60];

/* So many are begun in one go; the others a second later. */
const together = 20;

/**
 * Has a page read by itself, as somebody says that something was done there: once its editor has published
 * it, and again until all of it is there. Call it in a transaction.
 */
export async function askForCheck(
  tx: Handle,
  { site: { editor }, page: { id: pageId } }: { site: Pick<SiteRow, 'editor'>; page: Pick<PageRow, 'id'> },
): Promise<void> {
  const first = Math.max(soonest, editor.delay * 60);
  const set = { dueAt: later(first), until: later(first + patience), pause: firstPause };
  await tx
    .insert(pageCheck)
    .values({ pageId, ...set })
    .onDuplicateKeyUpdate({ set });
}

/** Begins the checks whose time has come; those of pages on which all is as it should be go. */
export async function beginDueChecks(db: Database, now: Date): Promise<void> {
  const due = await db
    .select({ pageId: pageCheck.pageId })
    .from(pageCheck)
    .where(lte(pageCheck.dueAt, databaseNow))
    .orderBy(asc(pageCheck.dueAt))
    .limit(together);
  await eachOf(due, ({ pageId }) => beginCheck(db, pageId, now));
}

const beginCheck = (db: Database, pageId: number, now: Date): Promise<void> =>
  inTransaction(db, async (tx) => {
    const [check] = await tx
      .select({ pause: pageCheck.pause, isOver: sql`${pageCheck.until} < ${databaseNow}`.mapWith(Number) })
      .from(pageCheck)
      .where(and(eq(pageCheck.pageId, pageId), lte(pageCheck.dueAt, databaseNow)))
      .for('update');
    // Another process has begun it.
    if (!check) return;
    const found = await pageThere(tx, pageId);
    const isDone = found === null || check.isOver === 1 || !(await isSomethingOpen(tx, pageId));
    if (isDone || !(await beginIn(tx, found, now)))
      return void (await tx.delete(pageCheck).where(eq(pageCheck.pageId, pageId)));
    await tx
      .update(pageCheck)
      .set({ dueAt: later(check.pause), pause: check.pause * growth })
      .where(eq(pageCheck.pageId, pageId));
  });

/* False where there is nothing to read. */
async function beginIn(tx: Handle, found: { site: SiteRow; page: PageRow }, now: Date): Promise<boolean> {
  const pageIds = isBlock(found.page) ? await pagesShowing(tx, found.page, ofBlock) : [found.page.id];
  if (pageIds.length === 0) return false;
  const scope = { scope: `${found.site.key}/${found.page.path}`, address: null };
  try {
    const begun = await insertSweep(tx, scope, { sites: [found.site], pageIds }, { by: null, now });
    if (begun.pages === 0) await tx.delete(job).where(eq(job.publicId, begun.id));
    return begun.pages > 0;
  } catch (error) {
    // It is just being read.
    if (isDuplicate(error)) return true;
    throw error;
  }
}

/* So many of the pages that show a block are read. */
const ofBlock = 10;

async function pageThere(tx: Handle, pageId: number): Promise<{ site: SiteRow; page: PageRow } | null> {
  const [row] = await tx
    .select({ site, page })
    .from(page)
    .innerJoin(site, eq(site.id, page.siteId))
    .where(and(eq(page.id, pageId), isNull(page.goneAt)));
  return row ?? null;
}

/* Whether something is not yet as it should be, or still there that should not. */
async function isSomethingOpen(tx: Handle, pageId: number): Promise<boolean> {
  const [open] = await tx
    .select({ id: placement.id })
    .from(placement)
    .where(
      and(
        eq(placement.pageId, pageId),
        or(
          and(
            eq(placement.active, 1),
            // What has still to be planned may be out of date.
            or(eq(placement.stale, 'yes'), not(inArray(placement.state, ['live', 'paused']))),
          ),
          and(isNull(placement.active), inArray(placement.seen, ['live', 'altered'])),
        ),
      ),
    )
    .limit(1);
  return open !== undefined;
}

const later = (seconds: number) =>
  sql`${databaseNow} + INTERVAL ${sql.raw(String(Math.ceil(seconds)))} SECOND`;
