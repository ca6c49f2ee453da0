import { and, asc, desc, eq, inArray, isNull, lt, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { newPublicId } from './ids.ts';
import { afterId } from './pages.ts';
import { embed, harvest, harvestItem, source } from './schema.ts';

export type HarvestRow = typeof harvest.$inferSelect;
export type HarvestItemRow = typeof harvestItem.$inferSelect;
export type NewItem = Omit<typeof harvestItem.$inferInsert, 'id' | 'harvestId' | 'takenEmbedId'>;

/** Writes down a page and what was found on it. Call it in a transaction. */
export async function insertHarvest(
  tx: Handle,
  values: Pick<HarvestRow, 'address' | 'title' | 'findings'>,
  items: readonly NewItem[],
  { by, now }: Actor,
): Promise<string> {
  const publicId = newPublicId();
  const [{ insertId }] = await tx
    .insert(harvest)
    .values({ publicId, ...values, createdAt: now, createdBy: by });
  if (items.length > 0)
    await tx.insert(harvestItem).values(items.map((item) => ({ harvestId: insertId, ...item })));
  return publicId;
}

export async function findHarvest(db: Handle, publicId: string): Promise<HarvestRow | null> {
  const [row] = await db.select().from(harvest).where(eq(harvest.publicId, publicId));
  return row ?? null;
}

export async function listHarvests(
  db: Handle,
  limit: number,
  after: string | undefined,
): Promise<HarvestRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(harvest)
    .where(from === null ? undefined : lt(harvest.id, from))
    .orderBy(desc(harvest.id))
    .limit(limit + 1);
}

/** An item with the embeds that hold it: as it was taken, as its mark says, or with the same code. */
export interface StoredItem {
  item: HarvestItemRow;
  taken: string | null;
  marked: string | null;
  same: string | null;
}

const takenEmbed = alias(embed, 'taken_embed');
const markedEmbed = alias(embed, 'marked_embed');
/* The first embed whose newest code is the same text. */
const sameEmbed = sql<
  string | null
>`(select e.${sql.identifier('key')} from ${source} s inner join ${embed} e on e.id = s.embed_id and e.source = s.number where s.digest = ${harvestItem.digest} order by e.id limit 1)`;

export async function itemsOf(db: Handle, harvestIds: readonly number[]): Promise<StoredItem[]> {
  if (harvestIds.length === 0) return [];
  return db
    .select({ item: harvestItem, taken: takenEmbed.key, marked: markedEmbed.key, same: sameEmbed })
    .from(harvestItem)
    .leftJoin(takenEmbed, eq(takenEmbed.id, harvestItem.takenEmbedId))
    .leftJoin(markedEmbed, eq(markedEmbed.id, harvestItem.markedEmbedId))
    .where(inArray(harvestItem.harvestId, [...harvestIds]))
    .orderBy(asc(harvestItem.id));
}

/** Notes what an item was taken as; false where somebody took it in the meantime. */
export async function markTaken(tx: Handle, itemId: number, embedId: number): Promise<boolean> {
  const [result] = await tx
    .update(harvestItem)
    .set({ takenEmbedId: embedId })
    .where(and(eq(harvestItem.id, itemId), isNull(harvestItem.takenEmbedId)));
  return result.affectedRows === 1;
}
