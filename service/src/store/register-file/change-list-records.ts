import { and, asc, eq, gt } from 'drizzle-orm';
import type { RegisterRecord } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { changeList, changeListPage } from '../schema.ts';
import { pageKeys } from './keys-of-rows.ts';

/* So many pages of a list are read at once. */
const together = 500;

/** The change lists, each with its pages and what of them is ticked. */
export async function* changeListRecords(tx: Handle): AsyncGenerator<RegisterRecord> {
  for (const row of await tx.select().from(changeList).orderBy(asc(changeList.id))) {
    const { publicId: id, name, search: where, createdAt } = row;
    yield { type: 'changeList', id, name, where, at: createdAt.toISOString() };
    yield* pagesOf(tx, row);
  }
}

async function* pagesOf(
  tx: Handle,
  { id, publicId: list }: typeof changeList.$inferSelect,
): AsyncGenerator<RegisterRecord> {
  for (let after = 0; ;) {
    const rows = await tx
      .select()
      .from(changeListPage)
      .where(and(eq(changeListPage.listId, id), gt(changeListPage.id, after)))
      .orderBy(asc(changeListPage.id))
      .limit(together);
    const keys = await pageKeys(
      tx,
      rows.map(({ pageId }) => pageId),
    );
    for (const { pageId, tickedAt, work, again } of rows)
      yield {
        type: 'changeListPage',
        ...{ list, page: keys.get(pageId)!, again },
        ticked: tickedAt && { at: tickedAt.toISOString(), work: work ?? '' },
      };
    if (rows.length < together) return;
    after = rows.at(-1)!.id;
  }
}
