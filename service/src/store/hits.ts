import { and, eq, gte, max, sql, sum } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { hit } from './schema.ts';

/** How often the document of a placement was asked for on a day from a page. */
export interface Hits {
  publicId: string;
  /** As YYYY-MM-DD. */
  day: string;
  page: string;
  times: number;
}

/** Adds hits to those of their day and of their month; of placements that are gone nothing is kept. */
export async function addHits(tx: Handle, hits: readonly Hits[]): Promise<void> {
  for (const { publicId, day, page: from, times } of hits)
    await tx.execute(sql`INSERT INTO hit (placement_id, day, page, times)
      SELECT id, ${day}, ${from}, ${times} FROM placement WHERE public_id = ${publicId}
      ON DUPLICATE KEY UPDATE times = times + ${times}`);
  for (const { publicId, month, times } of byMonth(hits)) {
    await tx.execute(sql`INSERT INTO embed_views (embed_id, month, times)
      SELECT embed_id, ${month}, ${times} FROM placement WHERE public_id = ${publicId}
      ON DUPLICATE KEY UPDATE times = embed_views.times + ${times}`);
    await tx.execute(sql`INSERT INTO provider_views (provider, month, times)
      SELECT embed.provider, ${month}, ${times} FROM placement JOIN embed ON embed.id = placement.embed_id
      WHERE placement.public_id = ${publicId} AND embed.provider IS NOT NULL
      ON DUPLICATE KEY UPDATE times = provider_views.times + ${times}`);
  }
}

/* What was counted of each placement in each month. */
function byMonth(hits: readonly Hits[]): { publicId: string; month: string; times: number }[] {
  const sums = new Map<string, { publicId: string; month: string; times: number }>();
  for (const { publicId, day, times } of hits) {
    const month = day.slice(0, 7);
    const sum = sums.get(`${publicId} ${month}`);
    if (sum) sum.times += times;
    else sums.set(`${publicId} ${month}`, { publicId, month, times });
  }
  return [...sums.values()];
}

/** A page from which the document of a placement was asked for, since a day. */
export interface HitPage {
  page: string;
  times: number;
  lastDay: string;
}

/** The pages from which it was asked for most, since a day, at most so many. */
export async function hitPages(
  db: Handle,
  placementId: number,
  { since, most }: { since: string; most: number },
): Promise<HitPage[]> {
  const times = sum(hit.times).mapWith(Number);
  const rows = await db
    .select({ page: hit.page, times, lastDay: max(hit.day) })
    .from(hit)
    .where(and(eq(hit.placementId, placementId), gte(hit.day, since)))
    .groupBy(hit.page)
    .orderBy(sql`${times} DESC`, hit.page)
    .limit(most);
  return rows.map(({ lastDay, ...row }) => ({ ...row, lastDay: String(lastDay) }));
}

/** How often it was asked for in all, since a day. */
export async function hitsSince(db: Handle, placementId: number, since: string): Promise<number> {
  const [row] = await db
    .select({ times: sum(hit.times).mapWith(Number) })
    .from(hit)
    .where(and(eq(hit.placementId, placementId), gte(hit.day, since)));
  return row?.times ?? 0;
}
