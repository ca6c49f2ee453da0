import type { Claim } from '../reading/reading.ts';
import type { PlannedPlacement } from './planned-placement.ts';

/** Something wrong with a page as it is planned; the sentence is made at the edge. */
export interface PlanFinding {
  rule: 'claims-collide';
  level: 'error';
  facts: Record<string, string | number>;
  /** The placements that it is about. */
  placements: string[];
}

/** What several codes of a page claim for themselves, so that one of them would not work (HTML, section 3.2.6, for ids). */
export function collisions(placements: readonly Pick<PlannedPlacement, 'id' | 'place' | 'code'>[]): PlanFinding[] {
  const holders = new Map<string, { claim: Claim; by: Pick<PlannedPlacement, 'id' | 'place'>[] }>();
  for (const placement of [...placements].sort((a, b) => (a.place < b.place ? -1 : 1))) {
    for (const claim of placement.code.reading.claims) {
      if (claim.shared || claim.what === 'listener' || claim.what === 'style') continue;
      const held = holders.get(`${claim.what} ${claim.name}`);
      if (!held) holders.set(`${claim.what} ${claim.name}`, { claim, by: [placement] });
      else if (!held.by.some(({ id }) => id === placement.id)) held.by.push(placement);
    }
  }
  return [...holders.values()]
    .filter(({ by }) => by.length > 1)
    .map(({ claim, by }) => ({
      rule: 'claims-collide',
      level: 'error',
      facts: { what: claim.what, name: claim.name, times: by.length, one: by[0]!.place, other: by[1]!.place },
      placements: by.map(({ id }) => id),
    }));
}
