import { and, asc, eq, sql } from 'drizzle-orm';
import type { Clip } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import type { SourceRow } from './embeds.ts';
import { scopesOf } from './findings.ts';
import { isOneOf } from './one-of.ts';
import { resourcesAmong } from './resources.ts';
import { embed, embedResource, placement, source, spot } from './schema.ts';

/** An embed that loads something, and what it makes of it. */
export interface UseOfResource {
  embedId: number;
  key: string;
  name: string;
  clips: Clip[];
  source: Pick<SourceRow, 'base' | 'found'>;
}

/** The embeds that load something, the first of them. */
export const usesOf = (db: Handle, resourceId: number, limit: number): Promise<UseOfResource[]> =>
  db
    .select({
      ...{ embedId: embed.id, key: embed.key, name: embed.name, clips: embedResource.clips },
      source: { base: source.base, found: source.found },
    })
    .from(embedResource)
    .innerJoin(embed, eq(embed.id, embedResource.embedId))
    .innerJoin(source, and(eq(source.embedId, embed.id), eq(source.number, embed.source)))
    .where(eq(embedResource.resourceId, resourceId))
    .orderBy(asc(embedResource.embedId))
    .limit(limit);

/* So many placements are looked at. */
const mostPlaces = 200;

/** px: how wide the widest spot is in which an embed is placed that loads something; null where none is. */
export async function widestSpot(db: Handle, resourceId: number): Promise<number | null> {
  const wide = sql<number>`greatest(${spot.phone}, ${spot.tablet}, ${spot.desktop})`.mapWith(Number);
  const rows = await db
    .select({ wide })
    .from(embedResource)
    .innerJoin(placement, and(eq(placement.embedId, embedResource.embedId), eq(placement.active, 1)))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .where(eq(embedResource.resourceId, resourceId))
    .limit(mostPlaces);
  return rows.length === 0 ? null : Math.max(...rows.map((row) => row.wide));
}

/* So many addresses of a finding are looked at. */
const mostScopes = 200;

/** Whether something on a site loads what a finding is about; null where it is found nowhere any more. */
export async function concernsSite(db: Handle, findingId: number, siteId: number): Promise<boolean | null> {
  const ids = resourcesAmong(await scopesOf(db, findingId, mostScopes));
  if (ids.length === 0) return null;
  const [row] = await db
    .select({ id: placement.id })
    .from(embedResource)
    .innerJoin(placement, and(eq(placement.embedId, embedResource.embedId), eq(placement.active, 1)))
    .where(and(isOneOf(embedResource.resourceId, ids), eq(placement.siteId, siteId)))
    .limit(1);
  return row !== undefined;
}
