import { and, asc, desc, eq, gt, inArray, isNotNull, isNull, lt, or, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import type { Actor } from './embeds.ts';
import { groupBy } from './group.ts';
import { newPublicId } from './ids.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import { placedWhere, type PlacementFilter } from './placements.ts';
import type { PageRow, SiteRow } from './places.ts';
import { changeList, changeListPage, embed, page, person, placement, site, spot } from './schema.ts';

export type ChangeListRow = typeof changeList.$inferSelect;
type EntryRow = typeof changeListPage.$inferSelect;

/** A page of a list as it is kept. */
export interface ListedEntry {
  id: number;
  entry: EntryRow;
  page: PageRow;
  site: SiteRow;
  /** Who ticked it. */
  by: string | null;
}

/** Call it in a transaction. */
export async function insertChangeList(
  tx: Handle,
  { name, search }: Pick<ChangeListRow, 'name' | 'search'>,
  { by, now }: Actor,
): Promise<ChangeListRow> {
  const publicId = newPublicId();
  await tx.insert(changeList).values({ publicId, name, search, createdAt: now, createdBy: by });
  return (await findChangeList(tx, publicId))!;
}

export async function findChangeList(db: Handle, publicId: string): Promise<ChangeListRow | null> {
  const [row] = await db.select().from(changeList).where(eq(changeList.publicId, publicId));
  return row ?? null;
}

export const listChangeLists = (
  db: Handle,
  limit: number,
  after: string | undefined,
): Promise<ChangeListRow[]> => {
  const from = afterId(after);
  return db
    .select()
    .from(changeList)
    .where(from === null ? undefined : lt(changeList.id, from))
    .orderBy(desc(changeList.id))
    .limit(limit + 1);
};

/**
 * Puts the pages of these placements on a list that are not there yet, so many at most. Call it in a
 * transaction.
 */
export async function fillChangeList(
  tx: Handle,
  { id }: Pick<ChangeListRow, 'id'>,
  filter: PlacementFilter,
  most: number,
): Promise<void> {
  const where = await placedWhere(tx, filter);
  await tx.execute(sql`
    insert ignore into ${changeListPage} (list_id, page_id)
    select ${id}, page_id from ${placement} where ${where} group by page_id order by page_id limit ${most}`);
  await tx
    .update(changeList)
    .set({ pages: sql`(select count(*) from ${changeListPage} where ${changeListPage.listId} = ${id})` })
    .where(eq(changeList.id, id));
}

/** Call it in a transaction. */
export async function deleteChangeList(tx: Handle, { id }: Pick<ChangeListRow, 'id'>): Promise<void> {
  await tx.delete(changeListPage).where(eq(changeListPage.listId, id));
  await tx.delete(changeList).where(eq(changeList.id, id));
}

const entriesOf = (db: Handle) =>
  db
    .select({ id: changeListPage.id, entry: changeListPage, page, site, by: person.name })
    .from(changeListPage)
    .innerJoin(page, eq(page.id, changeListPage.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .leftJoin(person, eq(person.id, changeListPage.tickedBy));

/** Pages of a list in the order in which they came. Ids first: no more rows are read than are shown. */
export async function listEntries(
  db: Handle,
  { id }: Pick<ChangeListRow, 'id'>,
  { open, limit, after }: { open: boolean; limit: number; after: string | undefined },
): Promise<ListedEntry[]> {
  const from = afterId(after);
  const found = await db
    .select({ id: changeListPage.id })
    .from(changeListPage)
    .where(
      and(
        eq(changeListPage.listId, id),
        open ? isNull(changeListPage.tickedAt) : undefined,
        from === null ? undefined : gt(changeListPage.id, from),
      ),
    )
    .orderBy(asc(changeListPage.id))
    .limit(limit + 1);
  if (found.length === 0) return [];
  return entriesOf(db)
    .where(
      isOneOf(
        changeListPage.id,
        found.map((row) => row.id),
      ),
    )
    .orderBy(asc(changeListPage.id));
}

export async function findEntry(
  db: Handle,
  { id }: Pick<ChangeListRow, 'id'>,
  pageId: number,
): Promise<ListedEntry | null> {
  const [row] = await entriesOf(db).where(
    and(eq(changeListPage.listId, id), eq(changeListPage.pageId, pageId)),
  );
  return row ?? null;
}

/**
 * Ticks a page of a list for what is to be done there; false where it is ticked for that already. Call it
 * in a transaction.
 */
export async function tickEntry(
  tx: Handle,
  { entry }: Pick<ListedEntry, 'entry'>,
  work: string,
  { by, now }: Actor,
): Promise<boolean> {
  const [row] = await tx
    .select({ tickedAt: changeListPage.tickedAt, work: changeListPage.work })
    .from(changeListPage)
    .where(eq(changeListPage.id, entry.id))
    .for('update');
  if (row!.tickedAt !== null && row!.work === work) return false;
  await tx
    .update(changeListPage)
    .set({ tickedAt: now, tickedBy: by, work, again: false })
    .where(eq(changeListPage.id, entry.id));
  if (row!.tickedAt === null) await countTicks(tx, entry.listId, 1);
  return true;
}

/** Takes a tick away. Call it in a transaction. */
export async function untickEntry(
  tx: Handle,
  { id, listId }: Pick<EntryRow, 'id' | 'listId'>,
  { again }: { again: boolean },
): Promise<void> {
  const [result] = await tx
    .update(changeListPage)
    .set({ tickedAt: null, tickedBy: null, work: null, again })
    .where(and(eq(changeListPage.id, id), isNotNull(changeListPage.tickedAt)));
  if (result.affectedRows === 1) await countTicks(tx, listId, -1);
}

const countTicks = (tx: Handle, listId: number, by: 1 | -1): Promise<unknown> =>
  tx
    .update(changeList)
    .set({ ticked: sql`${changeList.ticked} + ${by}` })
    .where(eq(changeList.id, listId));

/** Something else is to be done on a page: ticks for what was to be done there fall away. */
export async function dropTicksOn(tx: Handle, pageId: number): Promise<void> {
  const ticked = await tx
    .select({ id: changeListPage.id, listId: changeListPage.listId, work: changeListPage.work })
    .from(changeListPage)
    .where(and(eq(changeListPage.pageId, pageId), isNotNull(changeListPage.tickedAt)));
  if (ticked.length === 0) return;
  const work = workOf((await standingOn(tx, [pageId])).get(pageId) ?? []);
  for (const entry of ticked.sort((a, b) => a.id - b.id))
    if (entry.work !== work) await untickEntry(tx, entry, { again: true });
}

/** What stands on a page or is meant to, as far as a list tells it. */
export interface StandingThere {
  pageId: number;
  placement: string;
  embed: string;
  embedName: string;
  spot: string;
  state: typeof placement.$inferSelect.state;
  /** What is wanted there; null where nothing is. */
  wanted: string | null;
  /** Whether it is to be taken out. */
  takeOut: boolean;
}

/** What stands on these pages or is meant to: what is placed there, and what has ended and is still seen. */
export async function standingOn(
  db: Handle,
  pageIds: readonly number[],
): Promise<Map<number, StandingThere[]>> {
  const rows = await db
    .select({
      pageId: placement.pageId,
      placement: placement.publicId,
      embed: embed.key,
      embedName: embed.name,
      spot: spot.name,
      state: placement.state,
      wanted: placement.wanted,
      active: placement.active,
      pausedAt: placement.pausedAt,
      retiredAt: embed.retiredAt,
      seen: placement.seen,
    })
    .from(placement)
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .where(
      and(
        isOneOf(placement.pageId, pageIds),
        or(eq(placement.active, 1), inArray(placement.seen, ['live', 'altered'])),
      ),
    )
    .orderBy(asc(placement.id));
  const standing = rows.map(({ active, pausedAt, retiredAt, seen, ...row }): StandingThere => {
    const isWanted = active !== null && pausedAt === null && retiredAt === null;
    const takeOut = !isWanted && ['live', 'altered'].includes(seen);
    return { ...row, wanted: isWanted ? row.wanted : null, takeOut };
  });
  return groupBy(standing, ({ pageId }) => pageId);
}

/**
 * What is meant to stand on a page, as a digest: whether it was seen there already changes nothing of it, so
 * that a tick stays when a sweep has seen the work done.
 */
export const workOf = (standing: readonly StandingThere[]): string =>
  digest(
    JSON.stringify(
      standing
        .filter(({ wanted }) => wanted !== null)
        .map(({ placement: id, wanted }) => [id, wanted])
        .sort(),
    ),
  );
