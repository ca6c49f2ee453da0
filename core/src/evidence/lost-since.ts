import { judgeSeen, type SeenFinding } from './judge-seen.ts';
import type { SeenPlaced } from './seen-on-page.ts';

/** Something that was well in an earlier look at a placement, and is not now. */
export interface Lost {
  finding: SeenFinding;
  /** Which of the earlier looks that was, by its place among them. */
  wellIn: number;
}

/* Much smaller is what has less than this of what it had, in one direction. */
const much = 0.5;

/**
 * What works no longer of a placement: what is found now, and was not in the newest earlier look in which it
 * was well. What never was well is not lost, and of what is not on the page a sweep tells.
 * @param earlier what was seen of it before, the newest first
 * @example lostSince(now, [yesterday, lastWeek]) // [{ finding: { rule: 'shows-nothing', … }, wellIn: 0 }]
 */
export function lostSince(now: SeenPlaced, earlier: readonly SeenPlaced[]): Lost[] {
  if (!now.isThere) return [];
  const lastWithout = (rule: SeenFinding['rule']): number =>
    earlier.findIndex((before) => before.isThere && !isFound(before, rule));
  const lost = judgeSeen(now).flatMap((finding) => {
    const wellIn = lastWithout(finding.rule);
    return wellIn < 0 ? [] : [{ finding, wellIn }];
  });
  // What showed nothing had no size to speak of.
  const wellIn = lastWithout('shows-nothing');
  const smaller = wellIn < 0 ? null : muchSmaller(earlier[wellIn]!, now);
  return smaller ? [...lost, { finding: smaller, wellIn }] : lost;
}

const isFound = (seen: SeenPlaced, rule: SeenFinding['rule']): boolean =>
  judgeSeen(seen).some((found) => found.rule === rule);

/* Where it shows both times: in the first window in which it has shrunk, and all others where it has. */
function muchSmaller(before: SeenPlaced, now: SeenPlaced): SeenFinding | null {
  const shrunk = now.widths.flatMap(({ width, box, shows }) => {
    const was = before.widths.find((each) => each.width === width);
    if (!box || !was?.box || shows === false || was.shows === false) return [];
    const isSmaller = box.width < was.box.width * much || box.height < was.box.height * much;
    return isSmaller ? [{ width, was: was.box, is: box }] : [];
  });
  const [first] = shrunk;
  if (!first) return null;
  return {
    rule: 'much-smaller',
    level: 'warning',
    facts: {
      widths: shrunk.map(({ width }) => width).join(', '),
      was: sized(first.was),
      is: sized(first.is),
    },
  };
}

const sized = ({ width, height }: { width: number; height: number }): string => `${width} × ${height}`;
