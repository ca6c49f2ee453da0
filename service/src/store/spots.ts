import { and, asc, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { isBlockPath, type Place } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { groupBy } from './group.ts';
import { isOneOf } from './one-of.ts';
import type { PageRow, SiteRow } from './places.ts';
import { page, placement, sharedSpot, site, spot } from './schema.ts';
import { sharedSpotsOf, type SharedSpotRow } from './shared-spots.ts';

export type SpotRow = typeof spot.$inferSelect;
/** How large a spot is, and where on its page. */
export type SpotSize = Pick<SpotRow, 'phone' | 'tablet' | 'desktop' | 'heights' | 'selector'>;

/** A spot as a page has it: by itself, or as a shared spot of its site says. */
export interface FoundSpot extends SpotSize, Pick<SpotRow, 'name' | 'placements'> {
  /** What is kept of it; null where the page has it by the shared spot alone. */
  row: SpotRow | null;
  /** The shared spot that says how large it is, and where. */
  from: SharedSpotRow | null;
  /** Whether a shared spot gives the page one of this name, whatever the page itself says. */
  isOffered: boolean;
  /** Changes with every change of it. */
  version: number | string;
}

/* Null where the page does not have it. */
function asFound(
  path: string,
  row: SpotRow | null,
  shared: SharedSpotRow | null,
): (FoundSpot & { order: number }) | null {
  const isOffered = shared !== null && !isBlockPath(path) && path.startsWith(shared.under);
  if (row === null ? !isOffered : row.goneAt !== null) return null;
  const from = row === null || row.shared ? shared : null;
  const { phone, tablet, desktop, heights, selector } = (from ?? row)!;
  return {
    phone,
    tablet,
    desktop,
    heights,
    selector,
    name: (row ?? shared)!.name,
    placements: row?.placements ?? 0,
    row,
    from,
    isOffered,
    version: from ? `${row?.version ?? 0}-${from.version}` : row!.version,
    // The shared ones first, so that a spot stays where it is as it gets a row.
    order: from ? from.id - Number.MAX_SAFE_INTEGER : row!.id,
  };
}

/** A spot by its place. */
export async function findSpot(
  db: Handle,
  { site: key, path, spot: name }: Place,
): Promise<{ site: SiteRow; page: PageRow; spot: FoundSpot } | null> {
  const [found] = await db
    .select({ site, page, spot, sharedSpot })
    .from(page)
    .innerJoin(site, eq(site.id, page.siteId))
    .leftJoin(spot, and(eq(spot.pageId, page.id), eq(spot.name, name)))
    .leftJoin(sharedSpot, and(eq(sharedSpot.siteId, site.id), eq(sharedSpot.name, name)))
    .where(and(eq(site.key, key), eq(page.path, path), isNull(page.goneAt)));
  const there = found && asFound(path, found.spot, found.sharedSpot);
  return there ? { site: found.site, page: found.page, spot: there } : null;
}

/** The spots of pages, by the ids of the pages: those that many pages have first. */
export async function spotsOf(
  db: Handle,
  pages: readonly Pick<PageRow, 'id' | 'siteId' | 'path'>[],
): Promise<Map<number, FoundSpot[]>> {
  const ids = pages.map(({ id }) => id);
  const rows = groupBy(
    await db.select().from(spot).where(isOneOf(spot.pageId, ids)).orderBy(asc(spot.id)),
    ({ pageId }) => pageId,
  );
  const sites = new Set(pages.map(({ siteId }) => siteId));
  const shared = groupBy(await sharedSpotsOf(db, [...sites]), ({ siteId }) => siteId);
  return new Map(
    pages.map(({ id, siteId, path }) => {
      const ofSite = new Map((shared.get(siteId) ?? []).map((each) => [each.name, each]));
      const own = new Map((rows.get(id) ?? []).map((row) => [row.name, row]));
      const found = [...new Set([...ofSite.keys(), ...own.keys()])].flatMap((name) => {
        const one = asFound(path, own.get(name) ?? null, ofSite.get(name) ?? null);
        return one ? [one] : [];
      });
      return [id, found.sort((a, b) => a.order - b.order)];
    }),
  );
}

/** What is kept of the spots of a page, but of those that are removed. */
export const spotRowsOf = (db: Handle, pageId: number): Promise<SpotRow[]> =>
  db
    .select()
    .from(spot)
    .where(and(eq(spot.pageId, pageId), isNull(spot.goneAt)))
    .orderBy(asc(spot.id));

/** Adds a spot; one that was removed comes back with what is known of it. */
export async function insertSpot(
  db: Handle,
  pageId: number,
  name: string,
  values: SpotSize & Partial<Pick<SpotRow, 'shared'>>,
  { by, now }: Actor,
): Promise<void> {
  const said = { shared: false, ...values };
  const [back] = await db
    .update(spot)
    .set({ ...said, goneAt: null, version: sql`${spot.version} + 1` })
    .where(and(eq(spot.pageId, pageId), eq(spot.name, name), isNotNull(spot.goneAt)));
  if (back.affectedRows === 0)
    await db.insert(spot).values({ pageId, name, ...said, createdAt: now, createdBy: by });
}

/** Writes down what a page has by a shared spot alone; what people see of it stays the same. */
export async function insertOffered(
  tx: Handle,
  pageId: number,
  { name, phone, tablet, desktop, heights, selector }: FoundSpot,
  { by, now }: Actor,
): Promise<void> {
  const size = { phone, tablet, desktop, heights, selector };
  await tx
    .insert(spot)
    .values({ pageId, name, ...size, shared: true, version: 0, createdAt: now, createdBy: by });
}

/** False where somebody changed the spot since. */
export async function changeSpot(
  db: Handle,
  row: SpotRow,
  values: Partial<SpotSize & Pick<SpotRow, 'shared'>>,
): Promise<boolean> {
  const [result] = await db
    .update(spot)
    .set({ ...values, version: row.version + 1 })
    .where(and(eq(spot.id, row.id), eq(spot.version, row.version)));
  return result.affectedRows === 1;
}

/** Whether anything was ever placed in a spot; what was issued is kept, so such a spot stays. */
export const wasPlaced = async (db: Handle, spotId: number): Promise<boolean> =>
  (
    await db
      .select({ id: placement.id })
      .from(placement)
      .where(eq(placement.spotId, spotId))
      .orderBy(desc(placement.id))
      .limit(1)
  ).length > 0;

export const deleteSpot = async (db: Handle, id: number): Promise<void> =>
  void (await db.delete(spot).where(eq(spot.id, id)));
