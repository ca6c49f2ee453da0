import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import type { PlacementRow } from './placements.ts';
import { embed, page, placement, site, spot } from './schema.ts';

/** A placement of many that are changed at once. */
export interface OneOfMany {
  id: number;
  placement: Pick<
    PlacementRow,
    'id' | 'publicId' | 'pageId' | 'siteId' | 'active' | 'pausedAt' | 'issued' | 'linkedAt'
  >;
  embed: { key: string; retiredAt: Date | null; purgedAt: Date | null };
  site: { key: string };
  page: { path: string; goneAt: Date | null };
  spot: { name: string; goneAt: Date | null };
}

/** Holds these placements for the rest of the transaction, ended ones as well, in one order everywhere. */
export async function holdPlacements(tx: Handle, ids: readonly number[]): Promise<OneOfMany[]> {
  await tx
    .select({ id: placement.id })
    .from(placement)
    .where(isOneOf(placement.id, ids))
    .orderBy(asc(placement.id))
    .for('update');
  return tx
    .select({
      id: placement.id,
      placement: {
        id: placement.id,
        publicId: placement.publicId,
        pageId: placement.pageId,
        siteId: placement.siteId,
        active: placement.active,
        pausedAt: placement.pausedAt,
        issued: placement.issued,
        linkedAt: placement.linkedAt,
      },
      embed: { key: embed.key, retiredAt: embed.retiredAt, purgedAt: embed.purgedAt },
      site: { key: site.key },
      page: { path: page.path, goneAt: page.goneAt },
      spot: { name: spot.name, goneAt: spot.goneAt },
    })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, placement.pageId))
    .innerJoin(site, eq(site.id, placement.siteId))
    .where(isOneOf(placement.id, ids))
    .orderBy(asc(placement.id))
    .for('update');
}

/** The rows of placements by the ids that marks name; those that have ended are left out. */
export async function rowsOfMarks(db: Handle, publicIds: readonly string[]): Promise<Map<string, number>> {
  const found = await db
    .select({ id: placement.id, publicId: placement.publicId })
    .from(placement)
    .where(and(inArray(placement.publicId, [...publicIds]), eq(placement.active, 1)));
  return new Map(found.map(({ id, publicId }) => [publicId, id]));
}

/** Pauses placements, or lets them go on. Call it in a transaction. */
export const pauseThese = (tx: Handle, ids: readonly number[], pausedAt: Date | null): Promise<unknown> =>
  tx
    .update(placement)
    .set({ pausedAt, version: sql`${placement.version} + 1` })
    .where(isOneOf(placement.id, ids));
