import type { LevelledComposition } from '../compose/levels.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { PlannedPlacement } from './planned-placement.ts';

/** What is asked of a placement and cannot be brought to its page. */
export const notCarried = (
  { id, place }: Pick<PlannedPlacement, 'id' | 'place'>,
  { uncarried }: Pick<LevelledComposition, 'uncarried'>,
): PlanFinding[] =>
  uncarried.map(({ option, code, facts }) => ({
    rule: 'not-carried',
    level: 'warning',
    facts: { option, place, why: code, ...facts },
    placements: [id],
  }));
