import type { Code } from '../code.ts';
import type { Mark } from '../compose/mark.ts';
import type { LevelledOptions } from '../options/levels.ts';

/** What a page carries of a placement. */
export interface Carried {
  /** The digests of all that was handed out together with what stands at the spot. */
  digests: readonly string[];
  /** Whether it stands there as it was handed out; what is shown by a link always does. */
  isWhole: boolean;
  /** Whether the page shows it by its link: then there is no code to paste. */
  byLink: boolean;
}

/** A placement that has ended, and was still on its page when that was last read. */
export interface LeavingPlacement {
  id: string;
  place: string;
}

/** A code in a spot of a page, with what is asked of it there. */
export interface PlannedPlacement {
  /** Its public id. */
  id: string;
  /** Where it is, as people write it: the plan follows the order of these. */
  place: string;
  code: Code;
  /** What its owner calls the embed. */
  name?: string;
  asked: LevelledOptions;
  /** The mark that it carries; null for none. */
  mark: Mark | null;
  /** What its page was last seen with; null where it was not there. */
  carried?: Carried | null;
}
