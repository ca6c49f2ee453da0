import {
  formatChange,
  formatRemains,
  lastingKinds,
  OrbisError,
  spoken,
  type Remains,
  type UndoneChange,
} from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { isDuplicate } from '../../database/errors.ts';
import { inTransaction } from '../../database/transaction.ts';
import type { Deps } from '../../deps.ts';
import { recordAct } from '../../store/act.ts';
import { findChange, markUndone, type ChangeRow } from '../../store/change-log.ts';
import { findEmbed, type Actor } from '../../store/embeds.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import type { RenderContext } from '../render-context.ts';
import { changedSince } from './changed-since.ts';
import { undoCollecting } from './collected.ts';
import { undoDetails } from './details.ts';
import { undoGone, undoPagePath } from './gone.ts';
import { undoPages } from './pages.ts';
import { undoPlacements } from './many-placements.ts';
import { undoMove, undoPlacement, undoPlacementDetails } from './placements.ts';
import { tellChange } from '../tell-changes.ts';
import { undoRevisions } from './revisions.ts';
import { undoTerms } from './terms.ts';
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
      throw new OrbisError('change-lasting', { said: formatChange(row.facts), kind: row.kind });
    await refusePurged(tx, row);
    const remains = await takeBack(tx, row, renderContext(), actor);
    await markUndone(tx, row.id, actor);
    await recordAct(tx, actor, { said: spoken.feed.undone(formatChange(row.facts)) });
    return {
      ...(await tellChange(tx, { ...row, undoneAt: actor.now, undoneBy: actor.by })),
      remains: remains && formatRemains(remains),
    };
  });
  await sheetRegistry.refresh(db);
  return done;
}

/* Of an embed that was purged nothing is kept that could be brought back. */
async function refusePurged(tx: Handle, { facts }: ChangeRow): Promise<void> {
  if (!('embed' in facts)) return;
  const found = await findEmbed(tx, facts.embed);
  if (found && found.embed.purgedAt !== null) throw new OrbisError('embed-purged', { embed: facts.embed });
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
  if (effect.of === 'gone') return undoGone(tx, row, effect);
  if (effect.of === 'page-path') return undoPagePath(tx, row, effect);
  if (effect.of === 'pages') return undoPages(tx, effect);
  if (effect.of === 'placement-details') return undoPlacementDetails(tx, effect, actor);
  if (effect.of === 'terms') return undoTerms(tx, row, effect, renderContext.sheets, actor);
  if (effect.of !== 'placement' && effect.of !== 'move' && effect.of !== 'placements')
    return undoThing(tx, row, effect, actor);
  return placeBack(tx, row, effect, actor);
}

/* Placements come back where nobody has placed the embed there meanwhile. */
async function placeBack(
  tx: Handle,
  row: ChangeRow,
  effect: Extract<ChangeEffect, { of: 'placement' | 'placements' | 'move' }>,
  actor: Actor,
): Promise<Remains | null> {
  try {
    if (effect.of === 'move') return await undoMove(tx, effect, actor);
    if (effect.of === 'placements') return await undoPlacements(tx, row, effect, actor);
    return await undoPlacement(tx, row, effect, actor);
  } catch (error) {
    const { facts } = row;
    if (isDuplicate(error) && facts.kind === 'placements') throw changedSince(facts.placements);
    if (!isDuplicate(error) || (facts.kind !== 'ended' && facts.kind !== 'moved')) throw error;
    const place = facts.kind === 'ended' ? facts.place : facts.from;
    throw new OrbisError('already-placed', { embed: facts.embed, place, placement: null });
  }
}
