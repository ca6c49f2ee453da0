import { and, eq, isNotNull, isNull, sql, type SQL } from 'drizzle-orm';
import { isBlockPath } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { letFindingsOfPlacementsGo } from './findings.ts';
import { letPagesGo } from './let-pages-go.ts';
import { isOneOf } from './one-of.ts';
import type { PageRow } from './places.ts';
import type { SpotRow } from './spots.ts';
import { page, placement, site, spot } from './schema.ts';

/** What stands in a spot, on a page, or on all pages of a site; or these placements. */
export type Whereabouts =
  { spotId: number } | { pageId: number } | { siteId: number } | { ids: readonly number[] };

const placedOn = (where: Whereabouts): SQL =>
  'ids' in where
    ? isOneOf(placement.id, where.ids)
    : 'spotId' in where
      ? eq(placement.spotId, where.spotId)
      : 'pageId' in where
        ? eq(placement.pageId, where.pageId)
        : eq(placement.siteId, where.siteId);

/** How many placements there are, and how many of them were last seen on their pages; at most so many. */
export async function countPlaced(
  db: Handle,
  where: Whereabouts,
  most: number,
): Promise<{ placements: number; seen: number }> {
  const first = db
    .select({ state: placement.state })
    .from(placement)
    .where(and(placedOn(where), eq(placement.active, 1)))
    .limit(most)
    .as('placed');
  const [row] = await db
    .select({
      placements: sql<number>`count(*)`.mapWith(Number),
      seen: sql<number>`coalesce(sum(${first.state} in ('live', 'altered', 'out-of-date')), 0)`.mapWith(
        Number,
      ),
    })
    .from(first);
  return row!;
}

/** Whether anything was ever placed on a page: then the register keeps the page. */
export const wasPlacedOn = async (db: Handle, pageId: number): Promise<boolean> =>
  (await db.select({ id: placement.id }).from(placement).where(eq(placement.pageId, pageId)).limit(1))
    .length > 0;

/** Whether a site has pages, those that are removed among them. */
export const hasAnyPage = async (db: Handle, siteId: number): Promise<boolean> =>
  (await db.select({ id: page.id }).from(page).where(eq(page.siteId, siteId)).limit(1)).length > 0;

/* So many placements are ended or placed again at once: a statement has its time, however many there are. */
const together = 5000;

/** Ends everything that is placed there, along with its page or site. Call it in a transaction. */
export async function endAllOn(tx: Handle, where: Whereabouts, change: number, now: Date): Promise<void> {
  const placed = and(placedOn(where), eq(placement.active, 1))!;
  await count(tx, placed, sql`-`);
  await letFindingsOfPlacementsGo(tx, placed);
  const values = { endedAt: now, active: null, stale: 'no' as const, endedWith: change };
  for (let ended = together; ended === together;) {
    const [result] = await tx.update(placement).set(values).where(placed).limit(together);
    ended = result.affectedRows;
  }
}

/**
 * Places again what was ended along with its page or site; it waits to be planned. Call it in a transaction.
 */
export async function resumeAllOf(tx: Handle, where: Whereabouts, change: number): Promise<void> {
  const ended = and(placedOn(where), isNull(placement.active), eq(placement.endedWith, change))!;
  await count(tx, ended, sql`+`);
  const values = {
    ...{ endedAt: null, active: 1, stale: 'yes' as const, endedWith: null },
    inputs: sql`${placement.inputs} + 1`,
  };
  for (let resumed = together; resumed === together;) {
    const [result] = await tx.update(placement).set(values).where(ended).limit(together);
    resumed = result.affectedRows;
  }
}

/* Embeds and spots say how many placements they have. */
async function count(tx: Handle, which: SQL, sign: SQL): Promise<void> {
  for (const of of [sql.raw('embed'), sql.raw('spot')])
    await tx.execute(sql`
      update ${of} join (
        select ${of}_id as placed_id, count(*) as placed from ${placement} where ${which} group by ${of}_id
      ) as placed_there on placed_there.placed_id = ${of}.id
      set ${of}.placements = ${of}.placements ${sign} placed_there.placed`);
}

/** Whether a page that was removed has this path. */
export const isGonePath = async (db: Handle, siteId: number, path: string): Promise<boolean> =>
  (
    await db
      .select({ id: page.id })
      .from(page)
      .where(and(eq(page.siteId, siteId), eq(page.path, path), isNotNull(page.goneAt)))
  ).length > 0;

/** Takes a page out that the register keeps something of. Call it in a transaction. */
export async function markPageGone(
  tx: Handle,
  row: Pick<PageRow, 'id' | 'siteId' | 'path'>,
  now: Date,
): Promise<void> {
  const [result] = await tx
    .update(page)
    .set({ goneAt: now, version: sql`${page.version} + 1` })
    .where(and(eq(page.id, row.id), isNull(page.goneAt)));
  if (result.affectedRows === 0) return;
  await countPage(tx, row, sql`-`);
  await letPagesGo(tx, eq(page.id, row.id));
}

/** Has a page again that was taken out. Call it in a transaction. */
export async function bringPageBack(tx: Handle, row: Pick<PageRow, 'id' | 'siteId' | 'path'>): Promise<void> {
  await tx
    .update(page)
    .set({ goneAt: null, goneWith: null, version: sql`${page.version} + 1` })
    .where(eq(page.id, row.id));
  await countPage(tx, row, sql`+`);
}

/* A block is no page. */
async function countPage(
  tx: Handle,
  { siteId, path }: Pick<PageRow, 'siteId' | 'path'>,
  sign: SQL,
): Promise<void> {
  if (isBlockPath(path)) return;
  await tx
    .update(site)
    .set({ pages: sql`${site.pages} ${sign} 1` })
    .where(eq(site.id, siteId));
}

/** Takes a spot out that the register keeps something of. Call it in a transaction. */
export const markSpotGone = (tx: Handle, id: number, now: Date): Promise<unknown> =>
  tx
    .update(spot)
    .set({ goneAt: now, version: sql`${spot.version} + 1` })
    .where(and(eq(spot.id, id), isNull(spot.goneAt)));

/** Has a spot again that was taken out. Call it in a transaction. */
export const bringSpotBack = (tx: Handle, id: number): Promise<unknown> =>
  tx
    .update(spot)
    .set({ goneAt: null, version: sql`${spot.version} + 1` })
    .where(eq(spot.id, id));

/** Takes a site out with all its pages. Call it in a transaction. */
export async function markSiteGone(tx: Handle, siteId: number, change: number, now: Date): Promise<void> {
  await letPagesGo(tx, eq(page.siteId, siteId));
  await tx
    .update(page)
    .set({ goneAt: now, goneWith: change })
    .where(and(eq(page.siteId, siteId), isNull(page.goneAt)));
  await tx
    .update(site)
    .set({ goneAt: now, pages: 0, version: sql`${site.version} + 1` })
    .where(eq(site.id, siteId));
}

/** Has a site again with the pages that it had when it was taken out. Call it in a transaction. */
export async function bringSiteBack(tx: Handle, siteId: number, change: number): Promise<void> {
  const [back] = await tx
    .update(page)
    .set({ goneAt: null, goneWith: null })
    .where(and(eq(page.siteId, siteId), eq(page.goneWith, change)));
  const blocks = await tx.$count(
    page,
    and(eq(page.siteId, siteId), isNull(page.goneAt), isNotNull(page.stands)),
  );
  await tx
    .update(site)
    .set({ goneAt: null, pages: back.affectedRows - blocks, version: sql`${site.version} + 1` })
    .where(eq(site.id, siteId));
}

/** Holds a page’s row for the rest of the transaction; false where it is removed by now. */
export async function lockPage(tx: Handle, id: number): Promise<boolean> {
  const [row] = await tx.select({ goneAt: page.goneAt }).from(page).where(eq(page.id, id)).for('update');
  return row?.goneAt === null;
}

/** Holds a spot’s row for the rest of the transaction; false where it is removed by now. */
export async function lockSpot(tx: Handle, id: number): Promise<boolean> {
  const [row] = await tx.select({ goneAt: spot.goneAt }).from(spot).where(eq(spot.id, id)).for('update');
  return row?.goneAt === null;
}

/** A spot by its row, gone or not, with the standing of its page and site. */
export async function spotWithPage(
  tx: Handle,
  id: number,
): Promise<{ spot: SpotRow; pageGoneAt: Date | null; siteGoneAt: Date | null } | null> {
  const [row] = await tx
    .select({ spot, pageGoneAt: page.goneAt, siteGoneAt: site.goneAt })
    .from(spot)
    .innerJoin(page, eq(page.id, spot.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .where(eq(spot.id, id))
    .for('update');
  return row ?? null;
}

/** A page by its row, gone or not, with the site’s standing. */
export async function pageWithSite(
  tx: Handle,
  id: number,
): Promise<{ page: PageRow; site: { key: string; goneAt: Date | null } } | null> {
  const [row] = await tx
    .select({ page, site: { key: site.key, goneAt: site.goneAt } })
    .from(page)
    .innerJoin(site, eq(site.id, page.siteId))
    .where(eq(page.id, id))
    .for('update');
  return row ?? null;
}

/** A site by its row, gone or not. */
export async function siteById(tx: Handle, id: number): Promise<{ goneAt: Date | null } | null> {
  const [row] = await tx.select({ goneAt: site.goneAt }).from(site).where(eq(site.id, id)).for('update');
  return row ?? null;
}

/** Takes spots out of which nothing was ever placed in any. Call it in a transaction. */
export const deleteSpotsOf = (tx: Handle, pageId: number): Promise<unknown> =>
  tx.delete(spot).where(eq(spot.pageId, pageId));
