import type { Markup } from '../text/index.ts';
import type { FoundFact, Level, Reading } from '../reading/reading.ts';
import type { Inner } from '../reading/inner.ts';
import type { Sheet } from '../sheets/sheet.ts';

export interface RuleInput {
  reading: Reading;
  markup: Markup;
  /** What is inside its scripts and styles. */
  inner: Inner;
  sheet: Sheet | null;
}

/** One thing that can be wrong or worth knowing about a code. */
export interface CodeRule {
  id: string;
  level: Level;
  /** The section of the standard that the rule follows, or "observed" with what was seen. */
  source: string;
  check(input: RuleInput): Pick<FoundFact, 'start' | 'end' | 'facts'>[];
}
