import { and, asc, desc, eq, inArray, lt } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import { look, page, site } from './schema.ts';
import type { StoredLook } from './tables/looks.ts';

/** So many looks at one page are kept. */
export const looksOfPage = 8;

export type LookRow = typeof look.$inferSelect;

/** A look, with the key of its site and the path of its page. */
export interface ShownLook {
  look: LookRow;
  site: { key: string };
  page: { path: string };
}

const rows = (db: Handle) =>
  db
    .select({ id: look.id, look, site: { key: site.key }, page: { path: page.path } })
    .from(look)
    .innerJoin(page, eq(page.id, look.pageId))
    .innerJoin(site, eq(site.id, page.siteId));

/** Keeps what was seen of a page, as its newest look. Call it in a transaction. */
export async function insertLook(
  tx: Handle,
  values: { publicId: string; pageId: number; siteId: number; takenAt: Date; seen: StoredLook },
): Promise<void> {
  await tx
    .update(look)
    .set({ newest: null })
    .where(and(eq(look.pageId, values.pageId), eq(look.newest, 1)));
  const foreign = values.seen.hosts.filter(({ isOwn }) => !isOwn);
  const foreignBytes = foreign.reduce((sum, { before, after }) => sum + before.bytes + after.bytes, 0);
  await tx.insert(look).values({ ...values, newest: 1, foreignBytes });
}

/** The newest looks at those pages that load most from others, the heaviest first. */
export async function heaviestLooks(
  db: Handle,
  siteId: number | undefined,
  limit: number,
): Promise<(ShownLook & { title: string })[]> {
  // Ids alone come from one index, whatever else is asked of each.
  const ids = await db
    .select({ id: look.id })
    .from(look)
    .where(and(eq(look.newest, 1), siteId === undefined ? undefined : eq(look.siteId, siteId)))
    .orderBy(desc(look.foreignBytes), desc(look.id))
    .limit(limit);
  const found = await db
    .select({ look, site: { key: site.key }, page: { path: page.path }, title: page.title })
    .from(look)
    .innerJoin(page, eq(page.id, look.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .where(
      isOneOf(
        look.id,
        ids.map(({ id }) => id),
      ),
    );
  return found.sort((a, b) => b.look.foreignBytes - a.look.foreignBytes || b.look.id - a.look.id);
}

/** The looks at a page, the newest first. */
export async function listLooks(
  db: Handle,
  pageId: number,
  { limit, after }: { limit: number; after?: string | undefined },
): Promise<{ items: ShownLook[]; next: string | null }> {
  const from = afterId(after);
  const found = await rows(db)
    .where(and(eq(look.pageId, pageId), from === null ? undefined : lt(look.id, from)))
    .orderBy(desc(look.id))
    .limit(limit + 1);
  const items = found.slice(0, limit);
  return { items, next: found.length > limit ? String(items.at(-1)!.id) : null };
}

/** A look by its id; null where there is none. */
export async function findLook(db: Handle, publicId: string): Promise<ShownLook | null> {
  const [row] = await rows(db).where(eq(look.publicId, publicId));
  return row ?? null;
}

/**
 * Lets the oldest looks go: those at a page beyond the first so many, and those of all beyond so many.
 * @returns their ids
 */
export async function letOldLooksGo(
  tx: Handle,
  pageId: number,
  { ofPage, ofAll }: { ofPage: number; ofAll: number },
): Promise<string[]> {
  const old = await tx
    .select({ id: look.id, publicId: look.publicId })
    .from(look)
    .where(eq(look.pageId, pageId))
    .orderBy(desc(look.id))
    .limit(1000)
    .offset(ofPage);
  const [last] = await tx.select({ id: look.id }).from(look).orderBy(desc(look.id)).limit(1).offset(ofAll);
  const older = last
    ? await tx
        .select({ id: look.id, publicId: look.publicId })
        .from(look)
        .where(lt(look.id, last.id + 1))
        .orderBy(asc(look.id))
        .limit(1000)
    : [];
  const gone = new Map([...old, ...older].map(({ id, publicId }) => [id, publicId]));
  if (gone.size > 0) await tx.delete(look).where(inArray(look.id, [...gone.keys()]));
  return [...gone.values()];
}

/** Which of these ids are those of looks. */
export async function looksAmong(db: Handle, publicIds: readonly string[]): Promise<Set<string>> {
  if (publicIds.length === 0) return new Set();
  const found = await db
    .select({ publicId: look.publicId })
    .from(look)
    .where(inArray(look.publicId, [...publicIds]));
  return new Set(found.map(({ publicId }) => publicId));
}
