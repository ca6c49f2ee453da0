import { defaultsFor, type Kind, type Options } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { recordChange } from '../store/change-log.ts';
import { versionTag } from '../serializers/version-tag.ts';
import type { Actor } from '../store/embeds.ts';
import { endPlacement, insertPlacement, markLinked } from '../store/placements.ts';
import { dropNeedsOfEmptyPage } from '../store/needs.ts';
import { markPage } from '../store/mark-stale.ts';
import { usableEmbed } from './embeds.ts';
import { fitting } from './fitting.ts';
import { holdSpot } from './hold-spot.ts';
import type { MatchState } from './match-state.ts';
import { placeOf } from './page-plan.ts';
import { placementById, refuseUnwanted } from './placements.ts';
import { spotByKey } from './places.ts';
import { planPage, type PlanTools } from './planning.ts';
import type { RenderContext } from './render-context.ts';
import { unlessPlaced } from './unless-placed.ts';

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
  const { embed, source, revision } = await usableEmbed(db, key);
  if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
  const { spot, site, page } = await spotByKey(db, spotKey);
  const asked = {
    placement: wanted,
    embed: revision.options,
    site: defaultsFor(site.defaults, embed.kind as Kind),
  };
  const options = Object.keys(wanted).length > 0 ? await fitting(source, asked, renderContext) : wanted;
  return unlessPlaced({ embed, place: spotKey }, db, async (tx) => {
    const { id: spotId } = await holdSpot(tx, { site, page, spot }, actor);
    const ids = { embedId: embed.id, spotId, pageId: page.id, siteId: site.id };
    const { id, publicId } = await insertPlacement(tx, { ...ids, options }, actor);
    await markPage(tx, page.id);
    const effect = { of: 'placement' as const, placementId: id, before: null, after: options };
    await recordChange(tx, { facts: { kind: 'placed', embed: embed.key, place: spotKey }, effect }, actor);
    return publicId;
  });
}

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
 * @throws OrbisError `embed-retired`, `placement-paused`
 */
export async function handOutLink(id: string, { now }: Actor, tools: PlanTools): Promise<void> {
  const { db } = tools;
  const { id: rowId, embed, page, placement } = await placementById(db, id);
  refuseUnwanted({ embed, placement });
  // Marked as well, so that what is served for it is written down even if that does not come about here.
  await inTransaction(db, async (tx) => {
    await markLinked(tx, rowId, now);
    await markPage(tx, page.id);
  });
  await planPage(page.id, tools);
}
