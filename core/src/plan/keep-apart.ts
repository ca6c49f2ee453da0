import type { Code } from '../code.ts';
import { heldBySeveral } from '../reading/held-claims.ts';
import type { Claim } from '../reading/reading.ts';
import { effectiveOptions, type LevelledOptions } from '../options/levels.ts';
import { isBare, type PlacedComposition } from './forms.ts';
import type { PlanFinding } from './plan-finding.ts';
import { byPlace, type PlannedPlacement } from './planned-placement.ts';

/** Who claims things on a page, and composes as it is asked to. */
export interface Claimant {
  placement: PlannedPlacement;
  compose: (asked: LevelledOptions) => PlacedComposition;
}

/** The ways into a frame of its own, the one that changes least first. */
const ways = ['enclosed', 'served'] as const;

/** A placement that is put into a frame of its own, as it claims what another one has. */
export interface KeptApart {
  way: (typeof ways)[number];
  claim: Claim;
  /** The place that has it. */
  from: string;
}

/**
 * Decides which placements are put into frames of their own, so that each thing that is claimed has one
 * claimant: by the id of the placement. The first in the order of the places stays as it is, and whoever
 * cannot be put into a frame stays before all who can. Where an owner says of a placement how it is framed,
 * that holds. Those who are `fixed` keep what they have, whoever else wants it.
 */
export function keepApart(
  own: readonly Claimant[],
  fixed: readonly Claimant[] = [],
): ReadonlyMap<string, KeptApart> {
  const apart = new Map<string, KeptApart>();
  const claimants = [...fixed, ...own];
  if (collide(claimants).length === 0) return apart;
  const bare = claimants.filter(({ placement, compose }) => isBare(compose(placement.asked)));
  const involved = new Set(collide(bare).flatMap(({ by }) => by));
  const ordered = [...involved]
    .map((one) => ({ ...one, way: fixed.includes(one) ? null : wayFor(one) }))
    .sort((a, b) => Number(a.way !== null) - Number(b.way !== null) || byPlace(a.placement, b.placement));
  const holders = new Map<string, string>();
  for (const { placement, way } of ordered) {
    const claims = placement.code.reading.claims.filter(isOwn);
    const taken = claims.find((claim) => holders.has(keyOf(claim)));
    if (taken && way !== null) {
      apart.set(placement.id, { way, claim: taken, from: holders.get(keyOf(taken))! });
      continue;
    }
    for (const claim of claims) if (!holders.has(keyOf(claim))) holders.set(keyOf(claim), placement.place);
  }
  return apart;
}

/* Rules of style are the page’s own affair; listeners stand beside each other. */
const isOwn = ({ what, shared }: Claim): boolean => !shared && what !== 'style' && what !== 'listener';

/** Whether a code, as it stands on a page, could have what another one on the page claims as well. */
export const claimsAlone = ({ reading: { claims } }: Pick<Code, 'reading'>): boolean => claims.some(isOwn);

const keyOf = ({ what, name }: Claim): string => `${what} ${name}`;

const collide = (claimants: readonly Claimant[]): { by: Claimant[] }[] =>
  heldBySeveral(
    claimants,
    ({ placement }) => placement.code.reading.claims.filter(isOwn),
    (one, { by }) => !by.includes(one),
  );

/* What is in a frame already shares no more than the frame’s id, which nothing looks for. */
function wayFor({ placement: { code, asked }, compose }: Claimant): KeptApart['way'] | null {
  const { parts, needs } = code.reading;
  if (!needs.scripts && parts.some(({ role }) => role === 'frame')) return null;
  if (effectiveOptions(asked).options['frame'] !== undefined) return null;
  for (const way of ways) {
    const { framed, forEditor } = compose(inFrame(asked, way));
    // Where the site’s editor takes one way out, the code comes in the other one by itself.
    if (framed && framed.way !== 'file' && forEditor?.survives !== false) return framed.way;
  }
  return null;
}

/** The same, in a frame of its own. */
export const inFrame = (asked: LevelledOptions, way: KeptApart['way']): LevelledOptions => ({
  ...asked,
  placement: { ...asked.placement, frame: way },
});

/** What is said of a placement that is kept apart. */
export const keptApartFindings = (
  placements: readonly Pick<PlannedPlacement, 'id' | 'place'>[],
  apart: ReadonlyMap<string, KeptApart>,
): PlanFinding[] =>
  placements.flatMap(({ id, place }) => {
    const kept = apart.get(id);
    if (!kept) return [];
    const { way, from, claim } = kept;
    const facts = { place, way, from, what: claim.what, name: claim.name };
    return [{ rule: 'kept-apart', level: 'note', facts, placements: [id] }];
  });
