import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import { snippetForSite, type OncePerPage } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { insertMany } from './insert-many.ts';
import { keepSnippets } from './issued.ts';
import { pageNeed, placement, siteNeed } from './schema.ts';

/**
 * Writes down what a page needs once, and counts it with its site. Rows of the site are locked in the order
 * of the digests. Call it in a transaction that holds the page’s placements.
 */
export async function recordNeeds(
  tx: Handle,
  { pageId, siteId }: { pageId: number; siteId: number },
  once: readonly OncePerPage[],
  now: Date,
): Promise<void> {
  const had = await needsOf(tx, pageId);
  const has = new Set(once.map(({ digest }) => digest));
  await dropNeeds(
    tx,
    { pageId, siteId },
    [...had].filter((digest) => !has.has(digest)),
    now,
  );
  const added = once.filter(({ digest }) => !had.has(digest)).sort(byDigest);
  await insertMany(
    tx,
    pageNeed,
    added.map(({ digest }) => ({ pageId, digest, siteId })),
  );
  for (const thing of added) await addNeed(tx, siteId, thing);
}

async function needsOf(tx: Handle, pageId: number): Promise<Set<string>> {
  const rows = await tx.select({ digest: pageNeed.digest }).from(pageNeed).where(eq(pageNeed.pageId, pageId));
  return new Set(rows.map(({ digest }) => digest));
}

async function addNeed(
  tx: Handle,
  siteId: number,
  { digest, what, name, text, after }: OncePerPage,
): Promise<void> {
  const key = and(eq(siteNeed.siteId, siteId), eq(siteNeed.digest, digest));
  const more = { pages: sql`${siteNeed.pages} + 1`, unneededSince: null };
  const [known] = await tx.update(siteNeed).set(more).where(key);
  if (known.affectedRows === 0) {
    const [snippetId] = await keepSnippets(tx, [snippetForSite(text)]);
    await tx
      .insert(siteNeed)
      .values({ siteId, digest, snippetId: snippetId!, what, name, after, pages: 1 })
      .onDuplicateKeyUpdate({ set: more });
  }
  if (after.length === 0) return;
  const [row] = await tx.select({ after: siteNeed.after }).from(siteNeed).where(key).for('update');
  const all = [...new Set([...row!.after, ...after])];
  if (all.length > row!.after.length) await tx.update(siteNeed).set({ after: all }).where(key);
}

/**
 * A page on which nothing is placed any more needs nothing. Call it in the transaction that ended something.
 */
export async function dropNeedsOfEmptyPage(
  tx: Handle,
  { pageId, siteId }: { pageId: number; siteId: number },
  now: Date,
): Promise<void> {
  const [left] = await tx
    .select({ id: placement.id })
    .from(placement)
    .where(and(eq(placement.pageId, pageId), eq(placement.active, 1)))
    .limit(1);
  if (!left) await dropNeeds(tx, { pageId, siteId }, [...(await needsOf(tx, pageId))], now);
}

async function dropNeeds(
  tx: Handle,
  { pageId, siteId }: { pageId: number; siteId: number },
  digests: readonly string[],
  now: Date,
): Promise<void> {
  if (digests.length === 0) return;
  const gone = [...digests].sort();
  await tx.delete(pageNeed).where(and(eq(pageNeed.pageId, pageId), inArray(pageNeed.digest, gone)));
  for (const digest of gone) {
    const key = and(eq(siteNeed.siteId, siteId), eq(siteNeed.digest, digest));
    await tx
      .update(siteNeed)
      .set({ pages: sql`greatest(${siteNeed.pages} - 1, 0)` })
      .where(key);
    await tx
      .update(siteNeed)
      .set({ unneededSince: now })
      .where(and(key, eq(siteNeed.pages, 0), isNull(siteNeed.unneededSince)));
  }
}

const byDigest = (a: OncePerPage, b: OncePerPage): number => (a.digest < b.digest ? -1 : 1);
