import type { Level } from '../../reading/reading.ts';
import type { PageFact, ReadPage } from '../page.ts';

/** One thing that can be wrong on a page as a whole. */
export interface PageRule {
  id: string;
  level: Level;
  /** The section of the standard that the rule follows, or "observed" with what was seen. */
  source: string;
  check(page: ReadPage): Pick<PageFact, 'start' | 'end' | 'facts'>[];
}
