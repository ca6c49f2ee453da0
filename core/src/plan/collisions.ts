import { heldBySeveral } from '../reading/held-claims.ts';
import type { PlanFinding } from './plan-finding.ts';
import { byPlace, type PlannedPlacement } from './planned-placement.ts';

/**
 * What several codes of a page claim for themselves, so that one of them would not work (HTML,
 * section 3.2.6, for ids).
 */
export function collisions(
  placements: readonly Pick<PlannedPlacement, 'id' | 'place' | 'code'>[],
): PlanFinding[] {
  const inOrder = [...placements].sort(byPlace);
  return heldBySeveral(
    inOrder,
    ({ code }) => code.reading.claims.filter(({ what }) => what !== 'style'),
    ({ id }, { by }) => !by.some((other) => other.id === id),
  ).map(({ claim, by }) => ({
    rule: 'claims-collide',
    level: 'error',
    facts: { what: claim.what, name: claim.name, times: by.length, one: by[0]!.place, other: by[1]!.place },
    placements: by.map(({ id }) => id),
  }));
}
