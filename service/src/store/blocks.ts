import { and, asc, eq, inArray, isNull, like, sql } from 'drizzle-orm';
import { isBlockPath } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { PageRow } from './places.ts';
import { placementsOn, type PlacementRow, type StoredPlacement } from './placements.ts';
import { blockPage, page, placement } from './schema.ts';

type Seen = PlacementRow['seen'];

/** A block is kept as a page is: with a name in the place of a path. */
export const isBlock = ({ stands }: Pick<PageRow, 'stands'>): boolean => stands !== null;

/** The blocks of a site, in the order of their names. */
export const blocksOf = (db: Handle, siteId: number): Promise<PageRow[]> =>
  db
    .select()
    .from(page)
    // No path begins so: the same index finds them that finds a page.
    .where(and(eq(page.siteId, siteId), like(page.path, '{%'), isNull(page.goneAt)))
    .orderBy(asc(page.path));

/** Whether its site says of a block that a page shows it. */
export const isSaidToShow = ({ path }: Pick<PageRow, 'path'>, block: Pick<PageRow, 'under'>): boolean =>
  block.under !== null && path.startsWith(block.under);

/** The blocks that a page shows: those of which that is said, and those that were seen on it. */
export async function blocksOn(db: Handle, on: Pick<PageRow, 'id' | 'siteId' | 'path'>): Promise<PageRow[]> {
  if (isBlockPath(on.path)) return [];
  const all = await blocksOf(db, on.siteId);
  if (all.length === 0) return [];
  const seen = await db
    .selectDistinct({ blockId: placement.pageId })
    .from(blockPage)
    .innerJoin(placement, eq(placement.id, blockPage.placementId))
    .where(and(eq(blockPage.pageId, on.id), inArray(blockPage.seen, ['live', 'altered'])));
  const isSeen = new Set(seen.map(({ blockId }) => blockId));
  return all.filter((block) => isSaidToShow(on, block) || isSeen.has(block.id));
}

/** A block with all that is placed in it. */
export interface FilledBlock {
  block: PageRow;
  rows: StoredPlacement[];
}

/** The blocks that a page shows, with what is placed in them; those with nothing in them are left out. */
export async function filledBlocksOn(
  db: Handle,
  on: Pick<PageRow, 'id' | 'siteId' | 'path'>,
): Promise<FilledBlock[]> {
  const filled: FilledBlock[] = [];
  for (const block of await blocksOn(db, on)) {
    const rows = await placementsOn(db, block.id);
    if (rows.length > 0) filled.push({ block, rows });
  }
  return filled;
}

/** The first pages that show a block: those of which that is said, else those on which it was seen. */
export async function pagesShowing(
  db: Handle,
  block: Pick<PageRow, 'id' | 'siteId' | 'under'>,
  limit: number,
): Promise<number[]> {
  if (block.under === null) return pagesSeenWith(db, block, limit);
  const begins = like(page.path, `${block.under.replace(/[\\%_]/g, '\\$&')}%`);
  const rows = await db
    .select({ id: page.id })
    .from(page)
    .where(
      and(
        eq(page.siteId, block.siteId),
        isNull(page.goneAt),
        isNull(page.stands),
        block.under === '' ? undefined : begins,
      ),
    )
    .orderBy(asc(page.id))
    .limit(limit);
  return rows.map(({ id }) => id);
}

/* One by one what is placed in it, of which there is little: joined, all that was seen would be read. */
async function pagesSeenWith(db: Handle, { id }: Pick<PageRow, 'id'>, limit: number): Promise<number[]> {
  const inIt = await db
    .select({ id: placement.id })
    .from(placement)
    .where(and(eq(placement.pageId, id), eq(placement.active, 1)));
  const found = new Set<number>();
  for (const { id: placementId } of inIt)
    for (const seen of ['live', 'altered'] as const) {
      const rows = await db
        .select({ pageId: blockPage.pageId })
        .from(blockPage)
        .where(and(eq(blockPage.placementId, placementId), eq(blockPage.seen, seen)))
        .orderBy(asc(blockPage.pageId))
        .limit(limit);
      for (const { pageId } of rows) found.add(pageId);
    }
  return [...found].sort((a, b) => a - b).slice(0, limit);
}

/** How the pages that were read show something that is placed in a block. */
export interface SeenOnPages {
  /** What that comes to; null where no page has shown it. */
  seen: Seen | null;
  /** A page that does not have it although others do. */
  without: number | null;
}

/* The worst that a page shows of it, and that it stands somewhere before that it stands nowhere. */
const overall = ['altered', 'live', 'missing'] as const;

/**
 * Keeps how a page was seen with something that is placed in a block. Call it in a transaction.
 * @param seen null where the page says nothing of it.
 * @returns what that comes to with the other pages, and whether the page shows it now and did not, or did.
 */
export async function keepSeenOnPage(
  tx: Handle,
  key: { placementId: number; pageId: number },
  seen: Seen | null,
): Promise<SeenOnPages & { changes: boolean }> {
  const where = and(eq(blockPage.placementId, key.placementId), eq(blockPage.pageId, key.pageId));
  const [before] = await tx.select({ seen: blockPage.seen }).from(blockPage).where(where).for('update');
  if (seen === null || seen === 'planned') {
    if (before) await tx.delete(blockPage).where(where);
  } else if (before?.seen !== seen)
    await tx
      .insert(blockPage)
      .values({ ...key, seen })
      .onDuplicateKeyUpdate({ set: { seen } });
  const changes = isShown(before?.seen ?? null) !== isShown(seen);
  return { ...(await seenOnPages(tx, key.placementId)), changes };
}

const isShown = (seen: Seen | null): boolean => seen === 'live' || seen === 'altered';

/* The first page of each state, from one index: to group by them would read a row of each page. */
async function seenOnPages(tx: Handle, placementId: number): Promise<SeenOnPages> {
  const first = async (seen: Seen): Promise<number | null> => {
    const [row] = await tx
      .select({ pageId: blockPage.pageId })
      .from(blockPage)
      .where(and(eq(blockPage.placementId, placementId), eq(blockPage.seen, seen)))
      .orderBy(asc(blockPage.pageId))
      .limit(1);
    return row?.pageId ?? null;
  };
  for (const seen of overall)
    if ((await first(seen)) !== null) return { seen, without: isShown(seen) ? await first('missing') : null };
  return { seen: null, without: null };
}

/** Whether some page still shows something of a block. */
export const isSeenAnywhere = async (tx: Handle, placementId: number): Promise<boolean> =>
  isShown((await seenOnPages(tx, placementId)).seen);

/** Forgets of a block where it is missing, on pages of which nobody says any more that they show it. */
export const forgetUnsaid = (tx: Handle, { id, under }: Pick<PageRow, 'id' | 'under'>): Promise<unknown> =>
  tx.execute(sql`
    delete ${blockPage} from ${blockPage}
      join ${placement} on ${placement.id} = ${blockPage.placementId} and ${placement.pageId} = ${id}
      join ${page} on ${page.id} = ${blockPage.pageId}
    where ${blockPage.seen} in ('missing', 'unreachable')
      and (${under} is null or left(${page.path}, char_length(${under})) <> ${under})`);
