import { OrbisError } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { pageKeyOf } from '../serializers/places.ts';
import { isBlock, pagesShowing } from '../store/blocks.ts';
import { pageById } from '../store/places.ts';
import type { PageOfRegister } from '../store/placements.ts';

/**
 * Where a page can be looked at: it itself; of a block, the first page that shows it.
 * @throws OrbisError `nothing-to-sweep` where no page is known that does
 */
export async function pageShowing(db: Handle, row: PageOfRegister): Promise<PageOfRegister> {
  if (!isBlock(row.page)) return row;
  const [first] = await pagesShowing(db, row.page, 1);
  if (first === undefined) throw new OrbisError('nothing-to-sweep', { block: pageKeyOf(row) });
  return { site: row.site, page: await pageById(db, first) };
}
