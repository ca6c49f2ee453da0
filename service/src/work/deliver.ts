import type { Database } from '../database/connect.ts';
import type { Act } from '../store/embeds.ts';
import { digest } from '../store/ids.ts';
import { insertDelivery, lastDelivery, listDeliveries, lockPlacement, type DeliveryWithRevision, type StoredPlacement } from '../store/placements.ts';
import type { RenderContext } from './making.ts';
import { codeToday } from './placements.ts';
import { inTransaction } from '../database/transaction.ts';

/** What to paste now: the last delivery where nothing differs, else the next one, kept whole under its number. */
export async function deliver(db: Database, row: StoredPlacement, making: RenderContext, act: Act): Promise<{ delivery: DeliveryWithRevision; isNew: boolean }> {
  return inTransaction(db, async (tx) => {
    await lockPlacement(tx, row.placement.id);
    const last = await lastDelivery(tx, row.placement.id);
    const isNew = last === null || (await codeToday(row, making, last.number)).text !== last.text;
    if (isNew) {
      const number = (last?.number ?? 0) + 1;
      const { snippets, text } = await codeToday(row, making, number);
      await insertDelivery(tx, { placementId: row.placement.id, number, revisionId: row.revision.id, options: row.placement.options, snippets, text, digest: digest(text) }, act);
    }
    const [delivery] = await listDeliveries(tx, row.placement.id, 1, undefined);
    return { delivery: delivery!, isNew };
  });
}
