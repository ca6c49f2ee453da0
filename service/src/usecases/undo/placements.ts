import type { Options } from '@orbis/core';
import { OrbisError, type Remains } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import type { ChangeRow } from '../../store/change-log.ts';
import type { Actor } from '../../store/embeds.ts';
import {
  changePlacement,
  deletePlacement,
  endPlacement,
  placementWithPlace,
  resumePlacement,
} from '../../store/placements.ts';
import { dropNeedsOfEmptyPage } from '../../store/needs.ts';
import { markPage } from '../../store/mark-stale.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import { sameOptions } from '../codes.ts';
import { detailValues, placementDetails } from '../placement-details.ts';
import { changedSince } from './changed-since.ts';

/**
 * Takes placing, ending or the options of a placement back.
 * @throws OrbisError `changed-since`, `embed-retired`, or the driver’s duplicate-key error where the embed
 * was placed there once more.
 */
export async function undoPlacement(
  tx: Handle,
  { facts }: ChangeRow,
  { placementId, before, after }: Extract<ChangeEffect, { of: 'placement' }>,
  { now }: Actor,
): Promise<Remains | null> {
  const placed = await placementWithPlace(tx, placementId);
  if ((placed.placement.active !== null) !== (after !== null)) throw since(placed);
  const remains = await (facts.kind === 'placed'
    ? undoPlacing(tx, placed, now)
    : facts.kind === 'ended'
      ? undoEnding(tx, placed)
      : undoOptions(tx, placed, before as Options, after as Options));
  await dropNeedsOfEmptyPage(tx, placed.placement, now);
  await markPage(tx, placed.placement.pageId);
  return remains;
}

/**
 * Makes of what is said of a placement what it was, beside its options.
 * @throws OrbisError `changed-since`
 */
export async function undoPlacementDetails(
  tx: Handle,
  { placementId, before, after }: Extract<ChangeEffect, { of: 'placement-details' }>,
  { now }: Actor,
): Promise<Remains | null> {
  const placed = await placementWithPlace(tx, placementId);
  const { placement } = placed;
  const said = placementDetails(placement);
  const names = Object.keys(after) as (keyof typeof said)[];
  const stands = placement.active !== null && names.every((name) => said[name] === after[name]);
  if (!stands) throw since(placed);
  if (!(await changePlacement(tx, placement, detailValues(before, placement, now)))) throw since(placed);
  if (before.paused === undefined) return null;
  await markPage(tx, placement.pageId);
  return wasHandedOut(placement) ? { code: 'paste-again', placements: 1 } : null;
}

/**
 * Puts a placement back into the spot that it was moved from.
 * @throws OrbisError `changed-since`, `embed-retired`, or the driver’s duplicate-key error where the embed
 * was placed there once more.
 */
export async function undoMove(
  tx: Handle,
  { before, after }: Extract<ChangeEffect, { of: 'move' }>,
  { now }: Actor,
): Promise<Remains | null> {
  const here = await placementWithPlace(tx, after.placementId);
  const there = await placementWithPlace(tx, before.placementId);
  if (here.placement.active === null || there.placement.active !== null) throw since(here);
  const remains = await undoPlacing(tx, here, now);
  await undoEnding(tx, there);
  await dropNeedsOfEmptyPage(tx, here.placement, now);
  for (const pageId of new Set([here.placement.pageId, there.placement.pageId])) await markPage(tx, pageId);
  return remains;
}

type Placed = Awaited<ReturnType<typeof placementWithPlace>>;

const wasHandedOut = ({ issued, linkedAt }: Placed['placement']): boolean =>
  issued !== null || linkedAt !== null;

const since = ({ embed, place }: Placed): OrbisError => changedSince([`${embed.key} in ${place}`]);

/* What was handed out is kept, and may stand on the page; what was not is as if it had never been placed. */
async function undoPlacing(tx: Handle, { placement, place }: Placed, now: Date): Promise<Remains | null> {
  const isHandedOut = wasHandedOut(placement);
  if (!isHandedOut && placement.checkedAt === null) {
    await deletePlacement(tx, placement);
    return null;
  }
  await endPlacement(tx, placement, now);
  return isHandedOut ? { code: 'take-out', place } : null;
}

async function undoEnding(tx: Handle, placed: Placed): Promise<null> {
  const { placement, embed } = placed;
  if (placed.isGone) throw since(placed);
  if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
  await resumePlacement(tx, placement);
  return null;
}

async function undoOptions(
  tx: Handle,
  placed: Placed,
  before: Options,
  after: Options,
): Promise<Remains | null> {
  const { placement } = placed;
  if (!sameOptions(placement.options, after)) throw since(placed);
  if (!(await changePlacement(tx, placement, { options: before }))) throw since(placed);
  return wasHandedOut(placement) ? { code: 'paste-again', placements: 1 } : null;
}
