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
import { markPage } from '../../store/stale.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import { sameOptions } from '../codes.ts';
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

async function undoEnding(tx: Handle, { placement, embed }: Placed): Promise<null> {
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
  if (!(await changePlacement(tx, placement, before))) throw since(placed);
  return wasHandedOut(placement) ? { code: 'paste-again', placements: 1 } : null;
}
