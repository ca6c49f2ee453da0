import { and, eq, sql, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { embed, placement } from './schema.ts';

/** What a change is of: an embed, all that a sheet reads, all on a site. */
export type ReachOf = { embedId: number } | { siteId: number } | { provider: string };

/** On how many places, pages and sites that stands; at most so many places are looked at. */
export async function countReach(
  db: Handle,
  of: ReachOf,
  most: number,
): Promise<{ placements: number; pages: number; sites: number }> {
  const rows = db.select({ pageId: placement.pageId, siteId: placement.siteId }).from(placement);
  const first = (
    'provider' in of
      ? rows
          .innerJoin(embed, eq(embed.id, placement.embedId))
          .where(isPlaced(eq(embed.provider, of.provider)))
      : rows.where(
          isPlaced('embedId' in of ? eq(placement.embedId, of.embedId) : eq(placement.siteId, of.siteId)),
        )
  )
    .limit(most)
    .as('placed');
  const [row] = await db
    .select({
      placements: sql<number>`count(*)`.mapWith(Number),
      pages: sql<number>`count(distinct ${first.pageId})`.mapWith(Number),
      sites: sql<number>`count(distinct ${first.siteId})`.mapWith(Number),
    })
    .from(first);
  return row!;
}

const isPlaced = (where: SQL): SQL => and(where, eq(placement.active, 1))!;
