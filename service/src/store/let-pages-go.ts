import { inArray, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { letFindingsOnPagesGo } from './findings.ts';
import { blockPage, page, planLink, stepTick } from './schema.ts';
import { takeOffLists } from './take-off-lists.ts';

/**
 * Pages go: they are on no list any more, show no block, and nothing of their plans is kept. Call it in a
 * transaction, while they are there.
 */
export async function letPagesGo(tx: Handle, pages: SQL | undefined): Promise<void> {
  await takeOffLists(tx, pages);
  await letFindingsOnPagesGo(tx, pages);
  const theirs = tx.select({ id: page.id }).from(page).where(pages);
  await tx.delete(planLink).where(inArray(planLink.pageId, theirs));
  await tx.delete(stepTick).where(inArray(stepTick.pageId, theirs));
  await tx.delete(blockPage).where(inArray(blockPage.pageId, theirs));
}
