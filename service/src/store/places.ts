import { and, asc, eq, gt, gte, inArray, isNotNull, isNull, like, sql } from 'drizzle-orm';
import { isBlockPath, type Place } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { chunks } from './chunks.ts';
import { letPagesGo } from './let-pages-go.ts';
import { deleteHead } from './site-heads.ts';
import { deleteSpecimenSeen } from './specimens.ts';
import { insertMany } from './insert-many.ts';
import { nextTimeOf } from './next-time.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import { page, site, spot } from './schema.ts';

export type SiteRow = typeof site.$inferSelect;
/** What of a site can be changed. */
type ChangingOfSite =
  | 'name'
  | 'address'
  | 'furtherAddresses'
  | 'defaults'
  | 'head'
  | 'headKept'
  | 'language'
  | 'colours'
  | 'frameStyle'
  | 'editor'
  | 'schedule'
  | 'rendered';
export type PageRow = typeof page.$inferSelect;
/** What a page says of itself; the last two are a block’s alone. */
export type PageSaid = Pick<PageRow, 'path' | 'title'> & Partial<Pick<PageRow, 'under' | 'stands'>>;

const first = <T>([row]: T[]): T | null => row ?? null;

export const findSite = async (db: Handle, key: string): Promise<SiteRow | null> =>
  first(
    await db
      .select()
      .from(site)
      .where(and(eq(site.key, key), isNull(site.goneAt))),
  );

/** Declares a site; one that was removed has its key again, and its pages come back as they are added. */
export async function insertSite(
  db: Handle,
  said: Pick<SiteRow, 'key' | ChangingOfSite>,
  { by, now }: Actor,
): Promise<void> {
  const values = { ...said, nextSweepAt: nextTimeOf(said.schedule, now) };
  const back = { ...values, goneAt: null, version: sql`${site.version} + 1` };
  const [again] = await db
    .update(site)
    .set(back)
    .where(and(eq(site.key, said.key), isNotNull(site.goneAt)));
  if (again.affectedRows === 0) await db.insert(site).values({ ...values, createdAt: now, createdBy: by });
}

/** Sites, in the order in which they were declared; `only` names those alone that are meant, by their ids. */
export async function listSites(
  db: Handle,
  { limit, after, only }: { limit: number; after: string | undefined; only?: readonly number[] | undefined },
): Promise<SiteRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(site)
    .where(
      and(
        isNull(site.goneAt),
        from === null ? undefined : gt(site.id, from),
        only === undefined ? undefined : isOneOf(site.id, only),
      ),
    )
    .orderBy(asc(site.id))
    .limit(limit + 1);
}

/** False where somebody changed the site since. */
export async function changeSite(
  db: Handle,
  row: SiteRow,
  values: Partial<Pick<SiteRow, ChangingOfSite>>,
): Promise<boolean> {
  const [result] = await db
    .update(site)
    .set({
      ...values,
      ...(values.schedule !== undefined && { nextSweepAt: nextTimeOf(values.schedule, new Date()) }),
      version: row.version + 1,
    })
    .where(and(eq(site.id, row.id), eq(site.version, row.version)));
  return result.affectedRows === 1;
}

export async function findPage(
  db: Handle,
  { site: key, path }: Pick<Place, 'site' | 'path'>,
): Promise<{ site: SiteRow; page: PageRow } | null> {
  return first(
    await db
      .select({ site, page })
      .from(page)
      .innerJoin(site, eq(site.id, page.siteId))
      .where(and(eq(site.key, key), eq(page.path, path), isNull(page.goneAt))),
  );
}

/** The pages with these ids that are there, with their sites. */
export const pagesById = (db: Handle, ids: readonly number[]): Promise<{ site: SiteRow; page: PageRow }[]> =>
  db
    .select({ site, page })
    .from(page)
    .innerJoin(site, eq(site.id, page.siteId))
    .where(and(isOneOf(page.id, ids), isNull(page.goneAt)))
    .orderBy(asc(page.id));

/** A page that is there, by its row. */
export const pageById = async (db: Handle, id: number): Promise<PageRow> =>
  (await db.select().from(page).where(eq(page.id, id)))[0]!;

/**
 * Adds a page; one that was removed comes back with its spots. Call it in a transaction.
 * @throws the driver’s duplicate-key error where it is there.
 */
export async function insertPage(
  tx: Handle,
  siteId: number,
  values: PageSaid,
  { by, now }: Actor,
): Promise<void> {
  const [again] = await comeBack(tx, siteId, [values]);
  if (!again) await tx.insert(page).values({ siteId, ...values, createdAt: now, createdBy: by });
  if (!isBlockPath(values.path)) await countPages(tx, siteId, 1);
}

/* Those of these pages that were removed come back; their paths. */
async function comeBack(tx: Handle, siteId: number, pages: readonly PageSaid[]): Promise<string[]> {
  const said = new Map(pages.map((each) => [each.path, each]));
  const back: string[] = [];
  for (const part of chunks([...said.keys()])) {
    const gone = await tx
      .select({ id: page.id, path: page.path })
      .from(page)
      .where(and(eq(page.siteId, siteId), inArray(page.path, part), isNotNull(page.goneAt)));
    for (const { id, path } of gone) {
      await tx
        .update(page)
        .set({ ...said.get(path)!, goneAt: null, goneWith: null })
        .where(eq(page.id, id));
      back.push(path);
    }
  }
  return back;
}

/** Adds pages that are not there; those that were removed come back. Call it in a transaction. */
export async function insertPages(
  tx: Handle,
  siteId: number,
  pages: readonly { path: string; title: string }[],
  { by, now }: Actor,
): Promise<void> {
  const back = new Set(await comeBack(tx, siteId, pages));
  await insertMany(
    tx,
    page,
    pages
      .filter(({ path }) => !back.has(path))
      .map((values) => ({ siteId, ...values, createdAt: now, createdBy: by })),
  );
  await countPages(tx, siteId, pages.length);
}

const countPages = (tx: Handle, siteId: number, more: number): Promise<unknown> =>
  tx
    .update(site)
    .set({ pages: sql`${site.pages} + ${more}` })
    .where(eq(site.id, siteId));

/** Which of these paths a site has pages at. */
export async function knownPaths(db: Handle, siteId: number, paths: readonly string[]): Promise<Set<string>> {
  const known = new Set<string>();
  for (const part of chunks(paths)) {
    const rows = await db
      .select({ path: page.path })
      .from(page)
      .where(and(eq(page.siteId, siteId), inArray(page.path, part), isNull(page.goneAt)));
    for (const { path } of rows) known.add(path);
  }
  return known;
}

/** Which of these pages have spots; the first ten. */
export async function pagesWithSpots(
  db: Handle,
  siteId: number,
  paths: readonly string[],
): Promise<string[]> {
  const found: string[] = [];
  for (const part of chunks(paths)) {
    const rows = await db
      .selectDistinct({ path: page.path })
      .from(page)
      .innerJoin(spot, eq(spot.pageId, page.id))
      .where(and(eq(page.siteId, siteId), inArray(page.path, part)))
      .limit(10);
    found.push(...rows.map(({ path }) => path));
    if (found.length >= 10) break;
  }
  return found.slice(0, 10);
}

/** Removes pages without spots. Call it in a transaction. */
export async function deletePages(tx: Handle, siteId: number, paths: readonly string[]): Promise<void> {
  for (const part of chunks(paths)) {
    const them = and(eq(page.siteId, siteId), inArray(page.path, part));
    await letPagesGo(tx, them);
    const [result] = await tx.delete(page).where(them);
    await countPages(tx, siteId, -result.affectedRows);
  }
}

/** False where somebody changed the page since. */
export async function changePage(db: Handle, row: PageRow, values: Partial<PageSaid>): Promise<boolean> {
  const [result] = await db
    .update(page)
    .set({ ...values, version: row.version + 1 })
    .where(and(eq(page.id, row.id), eq(page.version, row.version)));
  return result.affectedRows === 1;
}

export interface ListedPage {
  id: number;
  site: SiteRow;
  page: PageRow;
}

const pagesOf = (db: Handle) =>
  db.select({ id: page.id, site, page }).from(page).innerJoin(site, eq(site.id, page.siteId));

/** Pages, of all sites or of one, in the order of adding. */
export async function listPages(
  db: Handle,
  siteId: number | null,
  limit: number,
  after: string | undefined,
): Promise<ListedPage[]> {
  const from = afterId(after);
  return pagesOf(db)
    .where(
      and(
        isNull(page.goneAt),
        siteId === null ? undefined : eq(page.siteId, siteId),
        from === null ? undefined : gt(page.id, from),
      ),
    )
    .orderBy(asc(page.id))
    .limit(limit + 1);
}

/**
 * How the keys of pages begin: with the key of a site, or its beginning; with a path,
 * that site’s alone is meant.
 */
export interface KeyBeginning {
  site: string;
  path: string | null;
}

/**
 * Pages whose keys begin so, in the order of their keys: site by site, so that no more rows
 * are read than are shown.
 */
export async function pagesBeginning(
  db: Handle,
  { site: key, path }: KeyBeginning,
  limit: number,
  after: string | undefined,
): Promise<ListedPage[]> {
  const from = afterId(after);
  const last = from === null ? null : first(await pagesOf(db).where(eq(page.id, from)));
  const sites = await db
    .select({ id: site.id, key: site.key })
    .from(site)
    .where(
      and(
        isNull(site.goneAt),
        path === null ? like(site.key, beginning(key)) : eq(site.key, key),
        last ? gte(site.key, last.site.key) : undefined,
      ),
    )
    .orderBy(asc(site.key))
    .limit(limit + 1);
  const out: ListedPage[] = [];
  for (const { id } of sites) {
    if (out.length > limit) break;
    const behind = last?.site.id === id ? gt(page.path, last.page.path) : undefined;
    const found = await pagesOf(db)
      .where(
        and(
          eq(page.siteId, id),
          isNull(page.goneAt),
          path ? like(page.path, beginning(path)) : undefined,
          behind,
        ),
      )
      .orderBy(asc(page.path))
      .limit(limit + 1 - out.length);
    out.push(...found);
  }
  return out;
}

/* As a pattern of LIKE, which stands for nothing but what was typed. */
const beginning = (text: string): string => `${text.replace(/[\\%_]/g, '\\$&')}%`;

/** Holds a site’s row for the rest of the transaction, so that numbers are given once. */
export const lockSite = async (tx: Handle, id: number): Promise<void> =>
  void (await tx.select({ id: site.id }).from(site).where(eq(site.id, id)).for('update'));

/** Call it in a transaction. */
export async function deleteSite(tx: Handle, id: number): Promise<void> {
  await deleteHead(tx, id);
  await deleteSpecimenSeen(tx, id);
  await tx.delete(site).where(eq(site.id, id));
}

/** Call it in a transaction. */
export async function deletePage(
  tx: Handle,
  { id, siteId, path }: Pick<PageRow, 'id' | 'siteId' | 'path'>,
): Promise<void> {
  await letPagesGo(tx, eq(page.id, id));
  const [result] = await tx.delete(page).where(eq(page.id, id));
  if (result.affectedRows === 1 && !isBlockPath(path)) await countPages(tx, siteId, -1);
}

/** What all sites have in common; null where they differ, or where there is none. */
export async function commonToSites(
  db: Handle,
): Promise<{ [K in 'language' | 'frameStyle']: SiteRow[K] | null }> {
  const [languages, styles] = await Promise.all([
    db.selectDistinct({ value: site.language }).from(site).where(isNull(site.goneAt)).limit(2),
    db.selectDistinct({ value: site.frameStyle }).from(site).where(isNull(site.goneAt)).limit(2),
  ]);
  return { language: only(languages), frameStyle: only(styles) };
}

const only = <T>([found, another]: { value: T }[]): T | null => (found && !another ? found.value : null);

/** All addresses of every declared site, for the guard of the fetching client. */
export const declaredAddresses = async (db: Handle): Promise<string[]> =>
  (
    await db
      .select({ address: site.address, furtherAddresses: site.furtherAddresses })
      .from(site)
      .where(isNull(site.goneAt))
  ).flatMap(addressesOf);

/** Every address of a site, the main one first. */
export const addressesOf = ({
  address,
  furtherAddresses,
}: Pick<SiteRow, 'address' | 'furtherAddresses'>): string[] => [address, ...furtherAddresses];

/** Every site that is not removed. */
export const allSites = (db: Handle): Promise<SiteRow[]> =>
  db.select().from(site).where(isNull(site.goneAt)).orderBy(asc(site.id));
