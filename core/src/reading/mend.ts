import { applyMends } from './apply-mends.ts';
import { isSameReason, type Reason } from '../reason.ts';
import type { Mend } from './reading.ts';
import { read, type ReadingContext } from './read.ts';

/** What mending came to: the text, and what was done, in the order in which it was done. */
export interface Mended {
  text: string;
  done: { rule: string; reason: Reason }[];
}

/* One mending may bring another to light: code that was shown as text has faults of its own. */
const mostRounds = 6;

/**
 * Makes the edits that findings carry: of the rules that are named, or else of every finding that is more
 * than a note. Where two would change the same characters, the second waits for the next round of reading.
 */
export function mend(text: string, context: ReadingContext, only?: readonly string[]): Mended {
  const done: Mended['done'] = [];
  let now = text;
  for (let round = 0; round < mostRounds; round++) {
    const edits: Mend[] = [];
    const { findings } = read(now, context);
    for (const finding of findings) {
      if (finding.mend.length === 0 || (only ? !only.includes(finding.rule) : finding.level === 'note'))
        continue;
      if (finding.mend.some((edit) => edits.some((other) => collide(edit, other)))) continue;
      edits.push(...finding.mend);
      done.push(
        ...finding.mend
          .map(({ reason }) => ({ rule: finding.rule, reason }))
          .filter((step, i, all) => all.findIndex((other) => isSameReason(other.reason, step.reason)) === i),
      );
    }
    if (edits.length === 0) break;
    now = applyMends(now, edits);
  }
  return { text: now, done };
}

/* Two at one place are in no order; one inside the other is not applied twice. */
const collide = (a: Mend, b: Mend): boolean =>
  (a.start < b.end && b.start < a.end) || (a.start === b.start && a.end > a.start !== b.end > b.start);
