import { showsServed } from '@orbis/core';
import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Actor } from '../store/embeds.ts';
import { insertDelivery, issueDigest, lastDelivery, listDeliveries, type Issued } from '../store/issued.ts';
import { lockPlacement, markLinked, type StoredPlacement } from '../store/placements.ts';
import { markPage } from '../store/mark-stale.ts';
import { filledPage } from './filled-page.ts';
import { outputsOn } from './page-plan.ts';
import { refuseUnwanted } from './placements.ts';
import type { RenderContext } from './render-context.ts';

/**
 * What to paste now: the last delivery where nothing differs, else the next one, kept whole under its number.
 * From then on what it shows in a frame of ours is served; the page is to be planned for that.
 *
 * @throws OrbisError `embed-retired`, `placement-paused`
 */
export async function deliver(
  db: Database,
  { id, placement, page, embed }: StoredPlacement,
  renderContext: RenderContext,
  actor: Actor,
): Promise<{ issued: Issued; isNew: boolean; isFirstServed: boolean }> {
  refuseUnwanted({ placement, embed });
  return inTransaction(db, async (tx) => {
    await lockPlacement(tx, id);
    const last = await lastDelivery(tx, id);
    const filled = await filledPage(tx, page.id);
    const row = filled.rows.find((each) => each.id === id)!;
    const snippets = (await outputsOn(filled, renderContext)).get(id)!;
    // What was found on the page carries no mark: what is handed out does.
    const isNew = last?.digest !== issueDigest(snippets) || last.asFound === 1;
    if (isNew) {
      const values = {
        placementId: id,
        number: (last?.number ?? 0) + 1,
        revisionId: row.revision.id,
        options: row.placement.options,
        snippets,
      };
      await insertDelivery(tx, values, actor);
    }
    const isFirstServed = row.placement.linkedAt === null && snippets.some(showsServed);
    if (isFirstServed) {
      await markLinked(tx, id, actor.now);
      await markPage(tx, page.id);
    }
    const [issued] = await listDeliveries(tx, { id, publicId: placement.publicId }, 1, undefined);
    return { issued: issued!, isNew, isFirstServed };
  });
}
