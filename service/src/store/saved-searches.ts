import { and, asc, eq, gt } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { afterId } from './pages.ts';
import { savedSearch } from './schema.ts';

export type SavedSearchRow = typeof savedSearch.$inferSelect;

/** In the order in which they were kept, one more than asked for. */
export async function listSavedSearches(
  db: Handle,
  limit: number,
  after: string | undefined,
): Promise<SavedSearchRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(savedSearch)
    .where(from === null ? undefined : gt(savedSearch.id, from))
    .orderBy(asc(savedSearch.id))
    .limit(limit + 1);
}

export async function findSavedSearch(db: Handle, name: string): Promise<SavedSearchRow | null> {
  const [row] = await db.select().from(savedSearch).where(eq(savedSearch.name, name));
  return row ?? null;
}

/** Keeps a search in the place of what was seen; false where somebody was faster. */
export async function putSavedSearch(
  db: Handle,
  before: SavedSearchRow | null,
  { name, where }: Pick<SavedSearchRow, 'name' | 'where'>,
  { by, now }: Actor,
): Promise<boolean> {
  if (before === null) {
    await db.insert(savedSearch).values({ name, where, createdAt: now, createdBy: by });
    return true;
  }
  const [result] = await db
    .update(savedSearch)
    .set({ where, version: before.version + 1 })
    .where(and(eq(savedSearch.id, before.id), eq(savedSearch.version, before.version)));
  return result.affectedRows === 1;
}

export const deleteSavedSearch = (db: Handle, { id }: Pick<SavedSearchRow, 'id'>): Promise<unknown> =>
  db.delete(savedSearch).where(eq(savedSearch.id, id));
