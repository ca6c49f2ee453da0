import { inArray } from 'drizzle-orm';
import type { Handle } from '../../database/connect.ts';
import { insertMany } from '../insert-many.ts';
import { changeList, changeListPage } from '../schema.ts';
import { FoundRows, pagesBy } from './found-rows.ts';
import { date, type Take } from './take.ts';

/** Change lists. How many pages are on them is counted once all are there. */
export const takeChangeLists: Take<'changeList'> = (tx, records, by) =>
  insertMany(
    tx,
    changeList,
    records.map(({ id: publicId, name, where: search, at }) => ({
      ...{ publicId, name, search, createdAt: date(at), createdBy: by },
    })),
  );

/** Their pages, with what of them is ticked. */
export const takeChangeListPages: Take<'changeListPage'> = async (tx, records, by) => {
  const pages = await pagesBy(
    tx,
    records.map(({ page }) => page),
  );
  const lists = await listsBy(
    tx,
    records.map(({ list }) => list),
  );
  await insertMany(
    tx,
    changeListPage,
    records.map(({ list, page, ticked, again }) => ({
      ...{ listId: lists.of(list), pageId: pages.of(page).pageId, again },
      tickedAt: ticked && date(ticked.at),
      tickedBy: ticked && by,
      work: ticked && ticked.work,
    })),
  );
};

async function listsBy(tx: Handle, ids: readonly string[]): Promise<FoundRows<number>> {
  const rows = await tx
    .select({ id: changeList.id, publicId: changeList.publicId })
    .from(changeList)
    .where(inArray(changeList.publicId, [...new Set(ids)]));
  return new FoundRows('change list', new Map(rows.map(({ id, publicId }) => [publicId, id])));
}
