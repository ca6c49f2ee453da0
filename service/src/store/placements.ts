import { and, asc, desc, eq, inArray, isNull, lt, max, type SQL } from 'drizzle-orm';
import type { Options, Snippet } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import type { Actor, EmbedRow, RevisionRow, SourceRow } from './embeds.ts';
import { newPublicId } from './ids.ts';
import { afterId } from './pages.ts';
import type { PageRow, SiteRow, SpotRow } from './places.ts';
import { delivery, embed, page, placement, revision, site, source, spot } from './schema.ts';

export type PlacementRow = typeof placement.$inferSelect;
export type DeliveryRow = typeof delivery.$inferSelect;

/** A placement with all that its state and its code are worked out from. */
export interface StoredPlacement {
  id: number;
  placement: PlacementRow;
  embed: EmbedRow;
  source: SourceRow;
  revision: RevisionRow;
  site: SiteRow;
  page: PageRow;
  spot: SpotRow;
}

const rows = (db: Handle) =>
  db
    .select({ id: placement.id, placement, embed, source, revision, site, page, spot })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
    .innerJoin(source, eq(source.id, revision.sourceId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, spot.pageId))
    .innerJoin(site, eq(site.id, page.siteId));

export async function findPlacement(db: Handle, publicId: string): Promise<StoredPlacement | null> {
  const [row] = await rows(db).where(and(eq(placement.publicId, publicId), eq(placement.active, 1)));
  return row ?? null;
}

/** The placement of an embed in a spot that is not ended. */
export async function placementOf(db: Handle, embedId: number, spotId: number): Promise<PlacementRow | null> {
  const [row] = await db
    .select()
    .from(placement)
    .where(and(eq(placement.embedId, embedId), eq(placement.spotId, spotId), eq(placement.active, 1)));
  return row ?? null;
}

export interface PlacementFilter {
  embedId?: number;
  siteId?: number;
  pageId?: number;
  /** As the last sweep of its page made it out. */
  seen?: PlacementRow['seen'];
}

/** A page of the register: found by narrow rows in one index first, and only then put together, so that no text is read that is not shown. */
export async function listPlacements(db: Handle, filter: PlacementFilter, limit: number, after: string | undefined): Promise<StoredPlacement[]> {
  const from = afterId(after);
  const conditions: (SQL | undefined)[] = [
    eq(placement.active, 1),
    filter.embedId === undefined ? undefined : eq(placement.embedId, filter.embedId),
    filter.seen === undefined ? undefined : eq(placement.seen, filter.seen),
    from === null ? undefined : lt(placement.id, from),
  ];
  const inPages = filter.siteId !== undefined || filter.pageId !== undefined;
  const narrow = db.select({ id: placement.id }).from(placement).$dynamic();
  if (inPages) {
    narrow.innerJoin(spot, eq(spot.id, placement.spotId)).innerJoin(page, eq(page.id, spot.pageId));
    if (filter.siteId !== undefined) conditions.push(eq(page.siteId, filter.siteId));
    if (filter.pageId !== undefined) conditions.push(eq(spot.pageId, filter.pageId));
  }
  const ids = await narrow
    .where(and(...conditions))
    .orderBy(desc(placement.id))
    .limit(limit + 1);
  if (ids.length === 0) return [];
  return rows(db)
    .where(
      inArray(
        placement.id,
        ids.map(({ id }) => id),
      ),
    )
    .orderBy(desc(placement.id));
}

/** Every placement of a page, the newest first. */
export async function placementsOn(db: Handle, pageId: number): Promise<StoredPlacement[]> {
  const out: StoredPlacement[] = [];
  for (let after: string | undefined; ; after = String(out.at(-1)!.id)) {
    const rows = await listPlacements(db, { pageId }, 200, after);
    out.push(...rows.slice(0, 200));
    if (rows.length <= 200) return out;
  }
}

export async function insertPlacement(db: Handle, embedId: number, spotId: number, options: Options, { by, now }: Actor): Promise<string> {
  const publicId = newPublicId();
  await db.insert(placement).values({ publicId, embedId, spotId, options, findings: [], createdAt: now, createdBy: by });
  return publicId;
}

/** Changes what is asked at this place only; false where it has changed since. */
export async function changePlacement(tx: Handle, { id, version }: Pick<PlacementRow, 'id' | 'version'>, options: Options): Promise<boolean> {
  const [result] = await tx
    .update(placement)
    .set({ options, version: version + 1 })
    .where(and(eq(placement.id, id), eq(placement.version, version)));
  return result.affectedRows === 1;
}

export const endPlacement = async (db: Handle, id: number, now: Date): Promise<void> =>
  void (await db.update(placement).set({ endedAt: now, active: null }).where(eq(placement.id, id)));

/** Notes that a placement's link was handed out; from then on its document is served. */
export const markLinked = async (db: Handle, id: number, now: Date): Promise<void> =>
  void (await db
    .update(placement)
    .set({ linkedAt: now })
    .where(and(eq(placement.id, id), isNull(placement.linkedAt))));

/** Whose embed a placement's mark names, also of an ended one. */
export async function embedOfMark(db: Handle, publicId: string): Promise<string | null> {
  const [row] = await db.select({ key: embed.key }).from(placement).innerJoin(embed, eq(embed.id, placement.embedId)).where(eq(placement.publicId, publicId));
  return row?.key ?? null;
}

/** The row of the embed that a placement's mark names, also of an ended one. */
export async function embedIdOfMark(db: Handle, publicId: string): Promise<number | null> {
  const [row] = await db.select({ id: placement.embedId }).from(placement).where(eq(placement.publicId, publicId));
  return row?.id ?? null;
}

/** Holds a placement's row for the rest of the transaction, so that numbers are given once. */
export const lockPlacement = async (tx: Handle, id: number): Promise<void> =>
  void (await tx.select({ id: placement.id }).from(placement).where(eq(placement.id, id)).for('update'));

export async function lastDelivery(db: Handle, placementId: number): Promise<DeliveryRow | null> {
  const [row] = await db.select().from(delivery).where(eq(delivery.placementId, placementId)).orderBy(desc(delivery.number)).limit(1);
  return row ?? null;
}

/** The number of the last delivery of each of these placements; those that have none are left out. */
export async function lastNumbers(db: Handle, placementIds: readonly number[]): Promise<Map<number, number>> {
  if (placementIds.length === 0) return new Map();
  const rows = await db
    .select({ id: delivery.placementId, number: max(delivery.number) })
    .from(delivery)
    .where(inArray(delivery.placementId, [...placementIds]))
    .groupBy(delivery.placementId);
  return new Map(rows.map(({ id, number }) => [id, Number(number)]));
}

export async function insertDelivery(
  tx: Handle,
  values: { placementId: number; number: number; revisionId: number; options: Options; snippets: Snippet[]; text: string; digest: string },
  { by, now }: Actor,
): Promise<void> {
  await tx.insert(delivery).values({ ...values, createdAt: now, createdBy: by });
}

export interface DeliveryWithRevision {
  id: number;
  delivery: DeliveryRow;
  revision: number;
}

export async function listDeliveries(db: Handle, placementId: number, limit: number, after: string | undefined): Promise<DeliveryWithRevision[]> {
  const from = afterId(after);
  return db
    .select({ id: delivery.id, delivery, revision: revision.number })
    .from(delivery)
    .innerJoin(revision, eq(revision.id, delivery.revisionId))
    .where(and(eq(delivery.placementId, placementId), from === null ? undefined : lt(delivery.id, from)))
    .orderBy(desc(delivery.id))
    .limit(limit + 1);
}

/** Everything that was issued for these placements, oldest first. */
export async function deliveriesOf(db: Handle, placementIds: readonly number[]): Promise<DeliveryWithRevision[]> {
  if (placementIds.length === 0) return [];
  return db
    .select({ id: delivery.id, delivery, revision: revision.number })
    .from(delivery)
    .innerJoin(revision, eq(revision.id, delivery.revisionId))
    .where(inArray(delivery.placementId, [...placementIds]))
    .orderBy(asc(delivery.id));
}
