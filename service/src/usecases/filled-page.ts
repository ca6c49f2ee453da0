import type { Handle } from '../database/connect.ts';
import { filledBlocksOn } from '../store/blocks.ts';
import { placementsOn } from '../store/placements.ts';
import type { FilledPage } from './page-plan.ts';

/** What is placed on a page, and in the blocks that it shows; nobody asks for these where nothing is. */
export async function filledPage(db: Handle, pageId: number): Promise<FilledPage> {
  const rows = await placementsOn(db, pageId);
  return { rows, blocks: rows[0] ? await filledBlocksOn(db, rows[0].page) : [] };
}
