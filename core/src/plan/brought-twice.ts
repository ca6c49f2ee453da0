import type { Around } from './around.ts';
import { nameOfPart } from './once.ts';
import type { PlanFinding } from './plan-finding.ts';
import type { SharedPart } from './shared.ts';
import type { Heads } from './site-head.ts';
import type { Worked } from './worked.ts';

/** What a page brings although a block that it shows brings it, too. */
export function broughtTwice(
  worked: readonly Worked[],
  { heads, around, given }: { heads: Heads; around: Around; given: ReadonlySet<SharedPart> },
): PlanFinding[] {
  const found = new Map<string, PlanFinding>();
  for (const { placement, parts } of worked)
    for (const part of parts) {
      const place = around.given.get(part.text) ?? around.tooLate.get(part.text);
      if (place === undefined || given.has(part) || heads.ofSite(part.text)) continue;
      const known = found.get(part.text);
      if (known) known.placements.push(placement.id);
      else {
        const facts = { name: nameOfPart(part, placement.code), place };
        found.set(part.text, { rule: 'brought-twice', level: 'warning', facts, placements: [placement.id] });
      }
    }
  return [...found.values()];
}
