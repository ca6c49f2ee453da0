import type { Database } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { blocksOf, isSaidToShow } from '../store/blocks.ts';
import type { PageRow } from '../store/places.ts';
import { leavingOn, placementsToSweep, type LeavingRow, type SweptPlacement } from '../store/placements.ts';
import type { PlacementResult } from '../store/seen.ts';
import { soughtInHead } from '../store/site-heads.ts';
import type { PageOfSweep } from '../store/sweeps.ts';
import { planPage, type PlanTools } from '../usecases/planning.ts';

/** What the register expects on a page. */
export interface ExpectedOnPage {
  /** What is placed on the page itself first, then what is in a block. */
  placements: SweptPlacement[];
  /** What has ended, and was still there. */
  leaving: LeavingRow[];
  /** What is sought in its head for the whole site. */
  sought: { digest: string; text: string }[];
  /** By the row of what is placed there: what it says of its block; null for the page’s own. */
  ofBlock: (row: { pageId: number }) => PlacementResult['block'];
  /** Digest of all of it: a page whose text is the same as before shows the same by the same. */
  basis: string;
}

/** What the register expects on a page, planned anew where something has changed since. */
export async function expectedOn(
  { page, site }: Pick<PageOfSweep, 'page' | 'site'>,
  { db, version, ...plan }: PlanTools & { db: Database; version: string },
): Promise<ExpectedOnPage> {
  const blocks = await blocksOf(db, site.id);
  const places = [page.id, ...blocks.map(({ id }) => id)];
  let placements = await placementsToSweep(db, places);
  const stale = new Set(placements.filter((each) => each.stale === 'yes').map(({ pageId }) => pageId));
  for (const pageId of stale) await planPage(pageId, { db, ...plan });
  if (stale.size > 0) placements = await placementsToSweep(db, places);
  const ofBlock = blockOn(page, blocks);
  placements.sort((a, b) => Number(ofBlock(a) !== null) - Number(ofBlock(b) !== null));
  const leaving = await leavingOn(db, places);
  const sought = await soughtInHead(db, site.id, site.headKept);
  const basis = digest(
    JSON.stringify([
      // Another version may see something else in the same text.
      version,
      placements.map((each) => [
        ...[each.id, each.seen, each.lastSeenAt === null, each.issued, each.wanted, each.revision],
        ...[each.pausedAt !== null, each.retiredAt !== null, ofBlock(each)],
      ]),
      leaving.map(({ id, seenDelivery }) => [id, seenDelivery]),
      sought.map((each) => each.digest),
    ]),
  );
  return { placements, leaving, sought, ofBlock, basis };
}

const blockOn =
  (on: PageRow, blocks: readonly PageRow[]) =>
  ({ pageId }: { pageId: number }): PlacementResult['block'] => {
    const block = blocks.find(({ id }) => id === pageId);
    return block ? { isExpected: isSaidToShow(on, block) } : null;
  };
