import type { Code } from '../code.ts';
import type { LevelledOptions } from '../options/levels.ts';

/** A code in a spot of a page, with what is asked of it there. */
export interface PlannedPlacement {
  /** Its public id. */
  id: string;
  /** Where it is, as people write it: the plan follows the order of these. */
  place: string;
  code: Code;
  asked: LevelledOptions;
  /** The number of the delivery that it is made for; null where nothing is handed out: then it carries no mark. */
  delivery: number | null;
}
