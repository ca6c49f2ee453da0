import { isDeepStrictEqual } from 'node:util';
import { snippetText, type Snippet } from '@orbis/core';
import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Actor } from '../store/embeds.ts';
import { digest } from '../digest.ts';
import { insertDelivery, lastDelivery, listDeliveries, lockPlacement, type DeliveryWithRevision, type StoredPlacement } from '../store/placements.ts';
import type { RenderContext } from './render-context.ts';
import { neighboursIn, outputToday } from './page-plan.ts';

/** What to paste now: the last delivery where nothing differs, else the next one, kept whole under its number. */
export async function deliver(db: Database, row: StoredPlacement, renderContext: RenderContext, actor: Actor): Promise<{ delivery: DeliveryWithRevision; isNew: boolean }> {
  return inTransaction(db, async (tx) => {
    await lockPlacement(tx, row.placement.id);
    const last = await lastDelivery(tx, row.placement.id);
    const neighbours = neighboursIn(tx);
    const isNew = last === null || !isSame(last.snippets, (await outputToday(row, renderContext, last.number, neighbours)).snippets);
    if (isNew) {
      const number = (last?.number ?? 0) + 1;
      const { snippets, text } = await outputToday(row, renderContext, number, neighbours);
      await insertDelivery(tx, { placementId: row.placement.id, number, revisionId: row.revision.id, options: row.placement.options, snippets, text, digest: digest(text) }, actor);
    }
    const [delivery] = await listDeliveries(tx, row.placement.id, 1, undefined);
    return { delivery: delivery!, isNew };
  });
}

/* Whether the same is pasted, at each position; why it is so does not matter. */
const isSame = (a: readonly Snippet[], b: readonly Snippet[]): boolean => isDeepStrictEqual(a.map(pasted), b.map(pasted));
const pasted = (snippet: Snippet): [string, string] => [snippet.position, snippetText(snippet)];
