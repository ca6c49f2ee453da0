import { defaultsFor, type Kind } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { dropNeedsOfEmptyPage } from '../store/needs.ts';
import { endPlacement, insertPlacement } from '../store/placements.ts';
import { markPage } from '../store/mark-stale.ts';
import { askedAt } from './asked.ts';
import { fitting } from './fitting.ts';
import { holdSpot } from './hold-spot.ts';
import type { MatchState } from './match-state.ts';
import { placeOf } from './page-plan.ts';
import { placementById } from './placements.ts';
import { spotByKey } from './places.ts';
import type { RenderContext } from './render-context.ts';
import { unlessPlaced } from './unless-placed.ts';

/**
 * Moves a placement to another spot, with what is said of it: it ends where it was, and is placed anew.
 * @returns the new placement’s id.
 * @throws OrbisError `embed-retired`, `already-placed`, `if-match-stale`, or of the options that it cannot
 * have there.
 */
export async function move(
  db: Database,
  { id, place: to }: { id: string; place: string },
  matchState: MatchState,
  renderContext: RenderContext,
  actor: Actor,
): Promise<string> {
  const row = await placementById(db, id);
  matchState(versionTag(row.placement), 'placement');
  const { embed, placement } = row;
  if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
  const { spot, site, page } = await spotByKey(db, to);
  const asked = { ...askedAt(row), site: defaultsFor(site.defaults, embed.kind as Kind) };
  const options = await fitting(row.source, asked, renderContext);
  return unlessPlaced({ embed, place: to }, db, async (tx) => {
    const { id: spotId } = await holdSpot(tx, { site, page, spot }, actor);
    const now = await placementById(tx, id);
    matchState(versionTag(now.placement), 'placement');
    const { note, pausedAt } = placement;
    const ids = { embedId: embed.id, spotId, pageId: page.id, siteId: site.id };
    const fresh = await insertPlacement(tx, { ...ids, options, note, pausedAt }, actor);
    if (!(await endPlacement(tx, placement, actor.now)))
      throw new OrbisError('if-match-stale', { what: 'placement' });
    await dropNeedsOfEmptyPage(tx, placement, actor.now);
    for (const pageId of new Set([row.page.id, page.id])) await markPage(tx, pageId);
    const facts = { kind: 'moved', embed: embed.key, from: placeOf(row), to } as const;
    const effect = {
      of: 'move' as const,
      before: { placementId: row.id },
      after: { placementId: fresh.id },
    };
    await recordChange(tx, { facts, effect }, actor);
    return fresh.publicId;
  });
}
