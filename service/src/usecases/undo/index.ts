import { formatRemains, lastingKinds, OrbisError, type Remains, type UndoneChange } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { isDuplicate } from '../../database/errors.ts';
import { inTransaction } from '../../database/transaction.ts';
import type { Deps } from '../../deps.ts';
import { serializeChange } from '../../serializers/changes.ts';
import { findChange, markUndone, type ChangeRow } from '../../store/change-log.ts';
import type { Actor } from '../../store/embeds.ts';
import type { RenderContext } from '../render-context.ts';
import { undoCollecting } from './collected.ts';
import { undoDetails } from './details.ts';
import { undoPages } from './pages.ts';
import { undoPlacement } from './placements.ts';
import { undoRevisions } from './revisions.ts';
import { undoThing } from './things.ts';

export type UndoTools = Pick<Deps, 'connection' | 'renderContext' | 'sheetRegistry'>;

/**
 * Takes back what was done, all of it or nothing.
 * @throws OrbisError `not-found`, `change-undone`, `change-lasting`, `changed-since`, `in-use`,
 * `already-placed`
 */
export async function undo(
  id: string,
  { connection: { db }, renderContext, sheetRegistry }: UndoTools,
  actor: Actor,
): Promise<UndoneChange> {
  const done = await inTransaction(db, async (tx) => {
    const row = await findChange(tx, id, { lock: true });
    if (!row) throw new OrbisError('not-found', { what: 'change', key: id });
    if (row.undoneAt) throw new OrbisError('change-undone', { at: row.undoneAt.toISOString() });
    if (lastingKinds.includes(row.kind))
      throw new OrbisError('change-lasting', { said: serializeChange(row).said });
    const remains = await takeBack(tx, row, renderContext(), actor);
    await markUndone(tx, row.id, actor.now);
    return {
      ...serializeChange({ ...row, undoneAt: actor.now }),
      remains: remains && formatRemains(remains),
    };
  });
  await sheetRegistry.refresh(db);
  return done;
}

async function takeBack(
  tx: Handle,
  row: ChangeRow,
  renderContext: RenderContext,
  actor: Actor,
): Promise<Remains | null> {
  const { effect } = row;
  if (effect === null)
    return row.kind === 'collected' ? undoCollecting(tx, row) : undoRevisions(tx, row, renderContext, actor);
  if (effect.of === 'details') return undoDetails(tx, effect, actor);
  if (effect.of === 'pages') return undoPages(tx, effect);
  if (effect.of !== 'placement') return undoThing(tx, row, effect, actor);
  try {
    return await undoPlacement(tx, row, effect, actor);
  } catch (error) {
    if (!isDuplicate(error) || row.facts.kind !== 'ended') throw error;
    const { embed, place } = row.facts;
    throw new OrbisError('already-placed', { embed, place, placement: null });
  }
}
