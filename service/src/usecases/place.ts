import { defaultsFor, withBareNames, type Kind, type LevelledOptions, type Options } from '@orbis/core';
import { OrbisError, refuseProblems } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { recordChange } from '../store/change-log.ts';
import { versionTag } from '../serializers/version-tag.ts';
import type { Actor } from '../store/embeds.ts';
import {
  changePlacement,
  endPlacement,
  insertPlacement,
  markLinked,
  placementOf,
  type StoredPlacement,
} from '../store/placements.ts';
import { dropNeedsOfEmptyPage } from '../store/needs.ts';
import { markPage } from '../store/stale.ts';
import { askedAt } from './asked.ts';
import { compositionOf, sameOptions } from './codes.ts';
import { differenceLine } from './difference-line.ts';
import { embedByKey } from './embeds.ts';
import type { MatchState } from './match-state.ts';
import { placeOf } from './page-plan.ts';
import { placementById } from './placements.ts';
import { spotByKey } from './places.ts';
import { planPage, type PlanTools } from './planning.ts';
import type { RenderContext } from './render-context.ts';

/** An embed, and where it is to stand, each by its key. */
export interface PlaceAsked {
  embed: string;
  place: string;
  options: Options;
}

/**
 * Places an embed into a spot.
 * @returns the placement’s id.
 * @throws OrbisError `embed-retired`, `already-placed`, or of the options that it cannot have there.
 */
export async function place(
  db: Database,
  { embed: key, place: spotKey, options: wanted }: PlaceAsked,
  renderContext: RenderContext,
  actor: Actor,
): Promise<string> {
  const { embed, source, revision } = await embedByKey(db, key);
  if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
  const { spot, site, page } = await spotByKey(db, spotKey);
  const asked = {
    placement: wanted,
    embed: revision.options,
    site: defaultsFor(site.defaults, embed.kind as Kind),
  };
  const options = Object.keys(wanted).length > 0 ? await fitting(source, asked, renderContext) : wanted;
  try {
    return await inTransaction(db, async (tx) => {
      const ids = { embedId: embed.id, spotId: spot.id, pageId: page.id, siteId: site.id };
      const { id, publicId } = await insertPlacement(tx, { ...ids, options }, actor);
      await markPage(tx, page.id);
      const effect = { of: 'placement' as const, placementId: id, before: null, after: options };
      await recordChange(tx, { facts: { kind: 'placed', embed: embed.key, place: spotKey }, effect }, actor);
      return publicId;
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const there = await placementOf(db, embed.id, spot.id);
    const facts = { embed: embed.key, place: spotKey, placement: there?.publicId ?? null };
    throw new OrbisError('already-placed', facts);
  }
}

/** Asks for other options at one place. */
export const changeAtPlace = (
  db: Database,
  id: string,
  options: Options,
  matchState: MatchState,
  renderContext: RenderContext,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const row = await placementById(tx, id);
    matchState(versionTag(row.placement), 'placement');
    const asked = { ...askedAt(row), placement: options };
    const bare = await fitting(row.source, asked, renderContext);
    if (!(await changePlacement(tx, row.placement, bare)))
      throw new OrbisError('if-match-stale', { what: 'placement' });
    await markPage(tx, row.page.id);
    const { id: placementId, options: before } = row.placement;
    if (sameOptions(before, bare)) return;
    const said = differenceLine(before, bare);
    const facts = { kind: 'placed-options', embed: row.embed.key, place: placeOf(row), said } as const;
    await recordChange(tx, { facts, effect: { of: 'placement', placementId, before, after: bare } }, actor);
  });

/** Ends a placement: its code is no longer meant to stand there. */
export const endAtPlace = (db: Database, id: string, matchState: MatchState, actor: Actor): Promise<void> =>
  inTransaction(db, async (tx) => {
    const row = await placementById(tx, id);
    const { placement, page, embed } = row;
    matchState(versionTag(placement), 'placement');
    await endPlacement(tx, placement, actor.now);
    await dropNeedsOfEmptyPage(tx, placement, actor.now);
    await markPage(tx, page.id);
    const facts = { kind: 'ended', embed: embed.key, place: placeOf(row) } as const;
    const effect = {
      of: 'placement' as const,
      placementId: placement.id,
      before: placement.options,
      after: null,
    };
    await recordChange(tx, { facts, effect }, actor);
  });

/**
 * Hands out the link of a placement: from now on its document is served.
 * @throws OrbisError `embed-retired`
 */
export async function handOutLink(id: string, { now }: Actor, tools: PlanTools): Promise<void> {
  const { db } = tools;
  const { id: rowId, embed, page } = await placementById(db, id);
  if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
  // Marked as well, so that what is served for it is written down even if that does not come about here.
  await inTransaction(db, async (tx) => {
    await markLinked(tx, rowId, now);
    await markPage(tx, page.id);
  });
  await planPage(page.id, tools);
}

/* What is asked at a place, with its options by their bare names; refused where the code cannot have it. */
async function fitting(
  { base, found }: Pick<StoredPlacement['source'], 'base' | 'found'>,
  asked: LevelledOptions,
  renderContext: RenderContext,
): Promise<Options> {
  const { code, composition } = await compositionOf({ base, found, asked }, renderContext);
  refuseProblems(composition.problems);
  return withBareNames(asked.placement ?? {}, code.sheet);
}
