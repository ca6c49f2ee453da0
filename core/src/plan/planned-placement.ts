import type { Code } from '../code.ts';
import type { Mark } from '../compose/mark.ts';
import type { SnippetPosition } from '../options/position.ts';
import type { LevelledOptions } from '../options/levels.ts';
import type { SpotRoom } from './spot-room.ts';

/** What was handed out for another position than the spot, together with a code that is on the page. */
export interface StandsElsewhere {
  position: SnippetPosition;
  digest: string;
  text: string;
}

/** What a page carries of a placement. */
export interface Carried {
  /** The digests of all that was handed out together with what stands at the spot. */
  digests: readonly string[];
  /** Whether it stands there as it was handed out; what is shown by a link always does. */
  isWhole: boolean;
  /** Whether the page shows it by its link: then there is no code to paste. */
  byLink: boolean;
  /** What else was pasted for it. */
  elsewhere?: readonly StandsElsewhere[];
}

/** A placement that has ended, and was still on its page when that was last read. */
export interface LeavingPlacement {
  id: string;
  place: string;
  /** What else was pasted for it. */
  elsewhere?: readonly StandsElsewhere[];
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
  /** How much room its spot has; nothing where nobody asks whether it fits. */
  room?: SpotRoom;
  /** The mark that it carries; null for none. */
  mark: Mark | null;
  /** How many bytes browsers load for it before anybody does anything; null where nobody has weighed it. */
  bytes?: number | null;
  /** What its page was last seen with; null where it was not there. */
  carried?: Carried | null;
}

/** The order of a plan: by the places, and in one spot by what never changes. */
export const byPlace = (
  a: Pick<PlannedPlacement, 'id' | 'place'>,
  b: Pick<PlannedPlacement, 'id' | 'place'>,
): number => (a.place < b.place ? -1 : a.place > b.place ? 1 : a.id < b.id ? -1 : 1);
