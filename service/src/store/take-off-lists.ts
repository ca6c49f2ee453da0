import { eq, inArray, sql, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { changeList, changeListPage, page } from './schema.ts';

/** Pages go: these are on no list any more. Call it in a transaction, while they are there. */
export async function takeOffLists(tx: Handle, pages: SQL | undefined): Promise<void> {
  const lists = await tx
    .selectDistinct({ id: changeListPage.listId })
    .from(changeListPage)
    .innerJoin(page, eq(page.id, changeListPage.pageId))
    .where(pages);
  if (lists.length === 0) return;
  await tx
    .delete(changeListPage)
    .where(inArray(changeListPage.pageId, tx.select({ id: page.id }).from(page).where(pages)));
  const own = sql`from ${changeListPage} where ${changeListPage.listId} = ${changeList.id}`;
  await tx
    .update(changeList)
    .set({
      pages: sql`(select count(*) ${own})`,
      ticked: sql`(select count(*) ${own} and ${changeListPage.tickedAt} is not null)`,
    })
    .where(
      isOneOf(
        changeList.id,
        lists.map(({ id }) => id),
      ),
    );
}
