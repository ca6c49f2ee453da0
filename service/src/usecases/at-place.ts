import type { Options } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { changePlacement, type StoredPlacement } from '../store/placements.ts';
import { markPage } from '../store/mark-stale.ts';
import type { PlacementDetails } from '../store/tables/changes.ts';
import { askedAt } from './asked.ts';
import { sameOptions } from './codes.ts';
import { differenceLine } from './difference-line.ts';
import { fitting } from './fitting.ts';
import type { MatchState } from './match-state.ts';
import { placeOf } from './page-plan.ts';
import { detailValues, placementDetails } from './placement-details.ts';
import { placementById } from './placements.ts';
import type { RenderContext } from './render-context.ts';

/** What is said anew of a placement; what is left out stays. */
export interface AskedAtPlace extends PlacementDetails {
  options?: Options | undefined;
}

/** Asks for other options at one place, notes something about it, or pauses it. */
export const changeAtPlace = (
  db: Database,
  id: string,
  { options, ...details }: AskedAtPlace,
  matchState: MatchState,
  renderContext: RenderContext,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const row = await placementById(tx, id);
    matchState(versionTag(row.placement), 'placement');
    const bare =
      options && (await fitting(row.source, { ...askedAt(row), placement: options }, renderContext));
    const values = { ...(bare && { options: bare }), ...detailValues(details, row.placement, actor.now) };
    if (!(await changePlacement(tx, row.placement, values)))
      throw new OrbisError('if-match-stale', { what: 'placement' });
    if (bare || details.paused !== undefined) await markPage(tx, row.page.id);
    if (bare) await recordOptions(tx, row, bare, actor);
    await recordDetails(tx, row, details, actor);
  });

async function recordOptions(tx: Handle, row: StoredPlacement, after: Options, actor: Actor): Promise<void> {
  const { id: placementId, options: before } = row.placement;
  if (sameOptions(before, after)) return;
  const said = differenceLine(before, after);
  const facts = { kind: 'placed-options', embed: row.embed.key, place: placeOf(row), said } as const;
  await recordChange(tx, { facts, effect: { of: 'placement', placementId, before, after } }, actor);
}

async function recordDetails(
  tx: Handle,
  row: StoredPlacement,
  { note, paused }: PlacementDetails,
  actor: Actor,
): Promise<void> {
  const before = placementDetails(row.placement);
  const after = {
    ...(note !== undefined && note !== before.note && { note }),
    ...(paused !== undefined && paused !== before.paused && { paused }),
  };
  const names = Object.keys(after) as (keyof PlacementDetails)[];
  if (names.length === 0) return;
  const what = names.map((name) => (name === 'note' ? name : paused ? 'paused' : 'resumed'));
  const facts = { kind: 'placed-details', embed: row.embed.key, place: placeOf(row), what } as const;
  const was = Object.fromEntries(names.map((name) => [name, before[name]]));
  const effect = { of: 'placement-details' as const, placementId: row.id, before: was, after };
  await recordChange(tx, { facts, effect }, actor);
}
