import { and, asc, desc, eq, inArray, isNull, lt, ne, sql, type SQL } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import { writePlace } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Actor, EmbedRow, RevisionRow, SourceRow } from './embeds.ts';
import { letFindingsOfPlacementsGo } from './findings.ts';
import { loadingFrom } from './hosts.ts';
import { newPublicId } from './ids.ts';
import { markedUpTo } from './mark-stale.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import type { PageRow, SiteRow } from './places.ts';
import { delivery, embed, page, placement, revision, site, source, spot } from './schema.ts';
import type { SpotRow } from './spots.ts';

export type PlacementRow = typeof placement.$inferSelect;

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

/** A page with its site. */
export type PageOfRegister = Pick<StoredPlacement, 'site' | 'page'>;

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
  state?: PlacementRow['state'];
  /** What its code loads something from. */
  host?: string;
}

/** A placement as lists show it: no code is read for it. */
export interface ShownPlacement {
  id: number;
  placement: PlacementRow;
  embed: Pick<EmbedRow, 'key' | 'name' | 'revision' | 'retiredAt'>;
  site: Pick<SiteRow, 'key' | 'address'>;
  page: Pick<PageRow, 'path' | 'under'>;
  spot: Pick<SpotRow, 'name'>;
  /** The number of the revision that its page carries. */
  carried: number | null;
  /** Its last delivery, and the number of the revision that it was made of. */
  issued: { number: number; createdAt: Date } | null;
  revision: number | null;
  /** Whether it is to be planned before its state is said. */
  isStale: boolean;
}

/** Which placements are meant, as a condition on their rows; all of it comes from one index. */
export async function placedWhere(
  db: Handle,
  { embedId, siteId, pageId, state, host }: PlacementFilter,
): Promise<SQL> {
  return and(
    eq(placement.active, 1),
    host === undefined ? undefined : await loadingFrom(db, host),
    embedId === undefined ? undefined : eq(placement.embedId, embedId),
    pageId === undefined ? undefined : eq(placement.pageId, pageId),
    siteId === undefined ? undefined : eq(placement.siteId, siteId),
    state === undefined ? undefined : eq(placement.state, state),
  )!;
}

/** A page of the register, from one index, the newest first: ids alone. */
export async function listPlacementIds(
  db: Handle,
  filter: PlacementFilter,
  limit: number,
  after: string | undefined,
): Promise<number[]> {
  const from = afterId(after);
  const found = await db
    .select({ id: placement.id })
    .from(placement)
    .where(and(await placedWhere(db, filter), from === null ? undefined : lt(placement.id, from)))
    .orderBy(desc(placement.id))
    .limit(limit);
  return found.map(({ id }) => id);
}

const carriedDelivery = alias(delivery, 'carried_delivery');
const carriedRevision = alias(revision, 'carried_revision');

/** These placements as they are shown, the newest first. */
export async function shownPlacements(db: Handle, ids: readonly number[]): Promise<ShownPlacement[]> {
  if (ids.length === 0) return [];
  // Before the rows: what is marked in between says so itself.
  const marked = await markedUpTo(db);
  const rows = await shownOf(db, ids);
  return rows.map((row) => {
    const { id, siteId, stale } = row.placement;
    return { ...row, isStale: stale === 'yes' || id > (marked.get(siteId) ?? Infinity) };
  });
}

const shownOf = (db: Handle, ids: readonly number[]) =>
  db
    .select({
      id: placement.id,
      placement,
      embed: { key: embed.key, name: embed.name, revision: embed.revision, retiredAt: embed.retiredAt },
      site: { key: site.key, address: site.address },
      page: { path: page.path, under: page.under },
      spot: { name: spot.name },
      carried: carriedRevision.number,
      issued: { number: delivery.number, createdAt: delivery.createdAt },
      revision: revision.number,
    })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, placement.pageId))
    .innerJoin(site, eq(site.id, placement.siteId))
    .leftJoin(delivery, and(eq(delivery.placementId, placement.id), eq(delivery.number, placement.issued)))
    .leftJoin(revision, eq(revision.id, delivery.revisionId))
    .leftJoin(
      carriedDelivery,
      and(eq(carriedDelivery.placementId, placement.id), eq(carriedDelivery.number, placement.seenDelivery)),
    )
    .leftJoin(carriedRevision, eq(carriedRevision.id, carriedDelivery.revisionId))
    .where(isOneOf(placement.id, ids))
    .orderBy(desc(placement.id));

/** The keys of the other embeds in the same spot. */
export async function embedsBeside(
  db: Handle,
  { id, spotId }: Pick<PlacementRow, 'id' | 'spotId'>,
): Promise<string[]> {
  const found = await db
    .select({ key: embed.key })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .where(and(eq(placement.spotId, spotId), eq(placement.active, 1), ne(placement.id, id)))
    .orderBy(asc(placement.id))
    .limit(mostBeside);
  return found.map(({ key }) => key);
}
const mostBeside = 20;

/** Every placement of a page that is not ended, with its code, the newest first. */
export const placementsOn = (db: Handle, pageId: number): Promise<StoredPlacement[]> =>
  rows(db)
    .where(and(eq(placement.pageId, pageId), eq(placement.active, 1)))
    .orderBy(desc(placement.id));

/** Of a placement, what a sweep must know beside what was handed out. */
export interface SweptPlacement extends Pick<
  PlacementRow,
  | 'id'
  | 'publicId'
  | 'pageId'
  | 'lastSeenAt'
  | 'seen'
  | 'state'
  | 'wanted'
  | 'issued'
  | 'stale'
  | 'pausedAt'
  | 'seenDelivery'
  | 'findings'
> {
  /** The number of its embed’s newest revision. */
  revision: number;
  /** When its embed was retired. */
  retiredAt: Date | null;
}

/** Every placement of a page, or of some blocks, that is not ended. */
export const placementsToSweep = (db: Handle, pageIds: readonly number[]): Promise<SweptPlacement[]> =>
  db
    .select({
      id: placement.id,
      publicId: placement.publicId,
      pageId: placement.pageId,
      lastSeenAt: placement.lastSeenAt,
      seen: placement.seen,
      state: placement.state,
      wanted: placement.wanted,
      issued: placement.issued,
      stale: placement.stale,
      pausedAt: placement.pausedAt,
      seenDelivery: placement.seenDelivery,
      findings: placement.findings,
      revision: embed.revision,
      retiredAt: embed.retiredAt,
    })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .where(and(isOneOf(placement.pageId, pageIds), eq(placement.active, 1)))
    .orderBy(desc(placement.id));

/** A placement that has ended, and was still on its page when that was last read. */
export interface LeavingRow {
  id: number;
  pageId: number;
  publicId: string;
  spot: string;
  seenDelivery: number | null;
}

/** Placements that have ended, and were still on the page, or in the blocks, when that was last read. */
export const leavingOn = (db: Handle, pageIds: readonly number[]): Promise<LeavingRow[]> =>
  db
    .select({
      id: placement.id,
      pageId: placement.pageId,
      publicId: placement.publicId,
      spot: spot.name,
      seenDelivery: placement.seenDelivery,
    })
    .from(placement)
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .where(
      and(
        isOneOf(placement.pageId, pageIds),
        isNull(placement.active),
        inArray(placement.seen, ['live', 'altered']),
      ),
    )
    .orderBy(desc(placement.id));

/** A placement whose code was found on a page that it is not placed on. */
export interface StrangerRow {
  publicId: string;
  embed: string;
  /** Where it is placed. */
  place: string;
  /** Whether it was last seen there. */
  isThere: boolean;
}

/** The placements with these ids that are placed, and are not on this page. */
export async function strangersOn(
  db: Handle,
  pageId: number,
  publicIds: readonly string[],
): Promise<StrangerRow[]> {
  if (publicIds.length === 0) return [];
  const rows = await db
    .select({
      publicId: placement.publicId,
      embed: embed.name,
      seen: placement.seen,
      site: site.key,
      path: page.path,
      spot: spot.name,
    })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, placement.pageId))
    .innerJoin(site, eq(site.id, placement.siteId))
    .where(
      and(inArray(placement.publicId, [...publicIds]), eq(placement.active, 1), ne(placement.pageId, pageId)),
    )
    .orderBy(asc(placement.id));
  return rows.map(({ seen, spot: name, ...row }) => ({
    ...{ publicId: row.publicId, embed: row.embed },
    place: writePlace({ site: row.site, path: row.path, spot: name }),
    isThere: seen === 'live' || seen === 'altered',
  }));
}

/** Call it in a transaction. */
export async function insertPlacement(
  tx: Handle,
  values: { embedId: number; spotId: number; pageId: number; siteId: number } & Pick<
    PlacementRow,
    'options'
  > &
    Partial<Pick<PlacementRow, 'note' | 'pausedAt'>>,
  { by, now }: Actor,
): Promise<Pick<PlacementRow, 'id' | 'publicId'>> {
  const publicId = newPublicId();
  const [{ insertId }] = await tx
    .insert(placement)
    .values({ publicId, ...values, findings: [], createdAt: now, createdBy: by });
  await count(tx, values, 1);
  return { id: insertId, publicId };
}

/* An embed and a spot say how many placements they have. */
async function count(
  tx: Handle,
  { embedId, spotId }: { embedId: number; spotId: number },
  by: 1 | -1,
): Promise<void> {
  await tx
    .update(embed)
    .set({ placements: sql`${embed.placements} + ${by}` })
    .where(eq(embed.id, embedId));
  await tx
    .update(spot)
    .set({ placements: sql`${spot.placements} + ${by}` })
    .where(eq(spot.id, spotId));
}

/** Changes what is said of it at this place only; false where it has changed since. */
export async function changePlacement(
  tx: Handle,
  { id, version }: Pick<PlacementRow, 'id' | 'version'>,
  values: Partial<Pick<PlacementRow, 'options' | 'note' | 'pausedAt'>>,
): Promise<boolean> {
  const [result] = await tx
    .update(placement)
    .set({ ...values, version: version + 1 })
    .where(and(eq(placement.id, id), eq(placement.version, version)));
  return result.affectedRows === 1;
}

/** Ends a placement; false where it has ended already. Call it in a transaction. */
export async function endPlacement(
  tx: Handle,
  row: Pick<PlacementRow, 'id' | 'embedId' | 'spotId'>,
  now: Date,
): Promise<boolean> {
  const [result] = await tx
    .update(placement)
    .set({ endedAt: now, active: null, stale: 'no' })
    .where(and(eq(placement.id, row.id), eq(placement.active, 1)));
  const hasEnded = result.affectedRows === 1;
  if (!hasEnded) return false;
  await count(tx, row, -1);
  await letFindingsOfPlacementsGo(tx, eq(placement.id, row.id));
  return true;
}

/** A placement, ended or not, with its place; locked. Call it in a transaction. */
export async function placementWithPlace(
  tx: Handle,
  id: number,
): Promise<{
  placement: PlacementRow;
  place: string;
  embed: Pick<EmbedRow, 'key' | 'retiredAt'>;
  /** Whether its page or its spot is removed. */
  isGone: boolean;
}> {
  const [row] = await tx
    .select({ placement, embed: { key: embed.key, retiredAt: embed.retiredAt }, site, page, spot })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, placement.pageId))
    .innerJoin(site, eq(site.id, placement.siteId))
    .where(eq(placement.id, id))
    .for('update');
  const { site: of, page: on, spot: at, ...rest } = row!;
  const place = writePlace({ site: of.key, path: on.path, spot: at.name });
  return { ...rest, place, isGone: on.goneAt !== null || at.goneAt !== null };
}

/**
 * Places again what was ended. Call it in a transaction.
 * @throws the driver’s duplicate-key error where the embed was placed there once more.
 */
export async function resumePlacement(
  tx: Handle,
  row: Pick<PlacementRow, 'id' | 'embedId' | 'spotId'>,
): Promise<void> {
  await tx.update(placement).set({ endedAt: null, active: 1 }).where(eq(placement.id, row.id));
  await count(tx, row, 1);
}

/** Takes a placement away of which nothing was handed out. Call it in a transaction. */
export async function deletePlacement(
  tx: Handle,
  row: Pick<PlacementRow, 'id' | 'embedId' | 'spotId'>,
): Promise<void> {
  await tx.delete(placement).where(eq(placement.id, row.id));
  await count(tx, row, -1);
}

/** Which of these embeds were ever placed. */
export async function embedsEverPlaced(tx: Handle, embedIds: readonly number[]): Promise<Set<number>> {
  const found = await tx
    .selectDistinct({ id: placement.embedId })
    .from(placement)
    .where(isOneOf(placement.embedId, embedIds));
  return new Set(found.map(({ id }) => id));
}

/** Notes that a placement's link was handed out; from then on its document is served. */
export const markLinked = async (db: Handle, id: number, now: Date): Promise<void> =>
  void (await db
    .update(placement)
    .set({ linkedAt: now })
    .where(and(eq(placement.id, id), isNull(placement.linkedAt))));

/** Whose embed a placement's mark names, also of an ended one. */
export async function embedOfMark(db: Handle, publicId: string): Promise<string | null> {
  const [row] = await db
    .select({ key: embed.key })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .where(eq(placement.publicId, publicId));
  return row?.key ?? null;
}

/** The row of the embed that a placement's mark names, also of an ended one. */
export async function embedIdOfMark(db: Handle, publicId: string): Promise<number | null> {
  const [row] = await db
    .select({ id: placement.embedId })
    .from(placement)
    .where(eq(placement.publicId, publicId));
  return row?.id ?? null;
}

/** Holds a placement's row for the rest of the transaction, so that numbers are given once. */
export const lockPlacement = async (tx: Handle, id: number): Promise<void> =>
  void (await tx.select({ id: placement.id }).from(placement).where(eq(placement.id, id)).for('update'));
