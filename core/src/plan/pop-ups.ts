import type { PlanFinding } from './plan-finding.ts';
import { byPlace, type PlannedPlacement } from './planned-placement.ts';

/** That several pop-ups come up on one page, each over the other; those in its blocks count as well. */
export function popUpsTogether(
  placements: readonly Pick<PlannedPlacement, 'id' | 'place' | 'code'>[],
): PlanFinding[] {
  const popUps = placements.filter(({ code }) => code.reading.kind === 'popup').sort(byPlace);
  const [one, other] = popUps;
  if (!one || !other) return [];
  const facts = { times: popUps.length, one: one.place, other: other.place };
  return [{ rule: 'pop-ups-together', level: 'warning', facts, placements: popUps.map(({ id }) => id) }];
}
