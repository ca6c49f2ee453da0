import { isSameReason } from '../reason.ts';
import type { FoundFact, Mend } from './reading.ts';
import { applyMends } from './apply-mends.ts';

/* What is longer is no code that somebody would mend by a click, and reading it again takes its time. */
const longest = 100_000;
/* Where the mendings of a rule do not hold together, so many are tried one by one. */
const mostAlone = 8;
/* These let browsers see what was written: what is found then was there before, and had no effect. */
const uncovering = new Set(['visible-code', 'curly-quotes', 'odd-blank', 'misspelt', 'wrong-element']);

/**
 * The findings with those mendings only that mend: each is made, and the text read again. It has to take its
 * finding away, and must not bring an error that was not there.
 *
 * @param readAgain - what is found in a text, its mendings unproved.
 */
export function withProvedMends(
  findings: FoundFact[],
  text: string,
  readAgain: (text: string) => readonly FoundFact[],
): FoundFact[] {
  const rules = new Set(findings.filter(({ mend }) => mend.length > 0).map(({ rule }) => rule));
  if (rules.size === 0) return findings;
  const unproved = new Set<FoundFact>();
  for (const rule of rules) {
    const ofRule = findings.filter((each) => each.rule === rule && each.mend.length > 0);
    if (text.length > longest) ofRule.forEach((each) => unproved.add(each));
    else if (!mends(ofRule, findings, text, readAgain))
      for (const [i, each] of ofRule.entries())
        if (ofRule.length === 1 || i >= mostAlone || !mends([each], findings, text, readAgain))
          unproved.add(each);
  }
  return unproved.size === 0
    ? findings
    : findings.map((each) => (unproved.has(each) ? { ...each, mend: [] } : each));
}

function mends(
  some: readonly FoundFact[],
  all: readonly FoundFact[],
  text: string,
  readAgain: (text: string) => readonly FoundFact[],
): boolean {
  const { rule } = some[0]!;
  const mended = applyMends(text, onceEach(some.flatMap(({ mend }) => mend)));
  if (mended === text) return false;
  const after = readAgain(mended);
  if (uncovering.has(rule)) return !some.some((each) => after.some((other) => isSame(each, other)));
  return timesOf(rule, after) <= timesOf(rule, all) - some.length && !bringsError(all, after);
}

const isSame = (a: FoundFact, b: FoundFact): boolean =>
  isSameReason({ code: a.rule, facts: a.facts }, { code: b.rule, facts: b.facts });

const timesOf = (rule: string, findings: readonly FoundFact[]): number =>
  findings.filter((each) => each.rule === rule).length;

function bringsError(before: readonly FoundFact[], after: readonly FoundFact[]): boolean {
  const errors = (of: readonly FoundFact[]): FoundFact[] => of.filter(({ level }) => level === 'error');
  const [had, has] = [errors(before), errors(after)];
  return has.some(({ rule }) => timesOf(rule, has) > timesOf(rule, had));
}

/* Two findings may share their mending. */
const onceEach = (edits: readonly Mend[]): Mend[] => [
  ...new Map(edits.map((edit) => [`${edit.start} ${edit.end} ${edit.text}`, edit])).values(),
];
