import type { MarkupElement, Markup } from '../text/index.ts';
import type { FoundFact, Level, Mend, ReadAddress, Reading } from '../reading/reading.ts';
import type { Inner } from '../reading/inner.ts';
import type { Sheet } from '../sheets/sheet.ts';

export interface RuleInput {
  reading: Reading;
  markup: Markup;
  /** What is inside its scripts and styles. */
  inner: Inner;
  sheet: Sheet | null;
  /** How long the content is, in seconds, where anybody told. */
  length: number | null;
}

/**
 * What a rule has found: where, the facts, the edits that mend it (where any can), and its own level where it
 * differs from the rule's.
 */
export interface Found extends Pick<FoundFact, 'start' | 'end' | 'facts'> {
  mend?: readonly Mend[];
  level?: Level;
}
export type Answer = Found | readonly Found[] | null;

/**
 * One thing that can be wrong or worth knowing about a code, and what it looks at: at least one of the four.
 */
export interface CodeRule {
  id: string;
  level: Level;
  /** The section of the standard that the rule follows, or "observed" with what was seen. */
  source: string;
  /** Elements of these names, or of any. */
  elements?: {
    named: readonly string[] | 'any';
    check: (element: MarkupElement, input: RuleInput) => Answer;
  };
  /** Every attribute of every element. */
  attributes?: (element: MarkupElement, name: string, value: string, input: RuleInput) => Answer;
  addresses?: (address: ReadAddress, input: RuleInput) => Answer;
  /** The code as a whole. */
  code?: (input: RuleInput) => Answer;
}

/** A finding about an element, at its start tag. */
export const foundIn = (
  element: MarkupElement,
  facts: Found['facts'],
  mend: readonly Mend[] = unmended,
): Found => ({
  start: element.start,
  end: element.startTagEnd,
  facts,
  mend,
});

const unmended: readonly Mend[] = [];
