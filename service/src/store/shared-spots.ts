import { and, asc, eq, gt, isNull, sql } from 'drizzle-orm';
import type { Place } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import type { SiteRow } from './places.ts';
import { page, placement, sharedSpot, site, spot } from './schema.ts';

export type SharedSpotRow = typeof sharedSpot.$inferSelect;
/** What is said of a shared spot; its name stays. */
export type SharedSpotValues = Pick<
  SharedSpotRow,
  'under' | 'phone' | 'tablet' | 'desktop' | 'heights' | 'selector'
>;

/** A shared spot with its site. */
export interface SiteSharedSpot {
  id: number;
  site: SiteRow;
  shared: SharedSpotRow;
}

const all = (db: Handle) =>
  db
    .select({ id: sharedSpot.id, site, shared: sharedSpot })
    .from(sharedSpot)
    .innerJoin(site, eq(site.id, sharedSpot.siteId));

/** Of all sites or of one, in the order of adding, one more than asked for. */
export async function listSharedSpots(
  db: Handle,
  siteId: number | null,
  limit: number,
  after: string | undefined,
): Promise<SiteSharedSpot[]> {
  const from = afterId(after);
  return all(db)
    .where(
      and(
        isNull(site.goneAt),
        siteId === null ? undefined : eq(sharedSpot.siteId, siteId),
        from === null ? undefined : gt(sharedSpot.id, from),
      ),
    )
    .orderBy(asc(sharedSpot.id))
    .limit(limit + 1);
}

export async function findSharedSpot(
  db: Handle,
  { site: key, spot: name }: Pick<Place, 'site' | 'spot'>,
): Promise<SiteSharedSpot | null> {
  const [found] = await all(db).where(and(eq(site.key, key), isNull(site.goneAt), eq(sharedSpot.name, name)));
  return found ?? null;
}

/** Those of these sites, in the order of adding. */
export const sharedSpotsOf = (db: Handle, siteIds: readonly number[]): Promise<SharedSpotRow[]> =>
  siteIds.length === 0
    ? Promise.resolve([])
    : db.select().from(sharedSpot).where(isOneOf(sharedSpot.siteId, siteIds)).orderBy(asc(sharedSpot.id));

/** @throws the driver’s duplicate-key error where the site has one of this name. */
export const insertSharedSpot = (
  tx: Handle,
  { siteId, name }: Pick<SharedSpotRow, 'siteId' | 'name'>,
  values: SharedSpotValues,
  { by, now }: Actor,
): Promise<unknown> =>
  tx.insert(sharedSpot).values({ siteId, name, ...values, createdAt: now, createdBy: by });

/** False where somebody changed it since. */
export async function changeSharedSpot(
  tx: Handle,
  row: SharedSpotRow,
  values: Partial<SharedSpotValues>,
): Promise<boolean> {
  const [result] = await tx
    .update(sharedSpot)
    .set({ ...values, version: row.version + 1 })
    .where(and(eq(sharedSpot.id, row.id), eq(sharedSpot.version, row.version)));
  return result.affectedRows === 1;
}

export const deleteSharedSpot = (tx: Handle, { id }: Pick<SharedSpotRow, 'id'>): Promise<unknown> =>
  tx.delete(sharedSpot).where(eq(sharedSpot.id, id));

type Named = Pick<SharedSpotRow, 'siteId' | 'name'>;

/* What pages of a site keep of spots of this name, in one statement however many there are. */
const onPages = ({ siteId }: Named) =>
  sql`update ${spot} join ${page} on ${page.id} = ${spot.pageId} and ${page.siteId} = ${siteId}`;

/** The pages’ own spots of this name are as the shared one says, or by themselves again. */
export const followShared = (tx: Handle, named: Named, shared: boolean): Promise<unknown> =>
  tx.execute(sql`
    ${onPages(named)} set ${spot}.shared = ${shared ? 1 : 0}, ${spot}.version = ${spot}.version + 1
    where ${spot.name} = ${named.name} and ${spot.goneAt} is null and ${spot}.shared = ${shared ? 0 : 1}`);

/** Takes the rows out that pages got of a spot of this name, where nothing was placed after all. */
export const dropOffered = (tx: Handle, { siteId, name }: Named): Promise<unknown> =>
  tx.execute(sql`
    delete ${spot} from ${spot} join ${page} on ${page.id} = ${spot.pageId} and ${page.siteId} = ${siteId}
    where ${spot.name} = ${name} and ${spot}.shared = 1 and ${spot}.version = 0
      and not exists (select 1 from ${placement} where ${placement.spotId} = ${spot.id})`);

/** What a shared spot says is written down with each page that has a row for it: they stay as they are. */
export const keepAsShared = (tx: Handle, row: SharedSpotRow): Promise<unknown> =>
  tx.execute(sql`
    ${onPages(row)} set ${spot}.phone = ${row.phone}, ${spot}.tablet = ${row.tablet},
      ${spot}.desktop = ${row.desktop}, ${spot}.heights = ${JSON.stringify(row.heights)},
      ${spot}.selector = ${row.selector}
    where ${spot.name} = ${row.name} and ${spot}.shared = 1`);
