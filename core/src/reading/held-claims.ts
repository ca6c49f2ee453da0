import type { Claim } from './reading.ts';

/** A claim with those who make it. */
export interface HeldClaim<T> {
  claim: Claim;
  by: T[];
}

/**
 * What several of a page claim for themselves, so that one of them would not work. Listeners stand beside
 * each other. `isAnother` says whether one more claims a thing itself, or is one with somebody who does.
 */
export function heldBySeveral<T>(
  claimants: readonly T[],
  claimsOf: (claimant: T) => readonly Claim[],
  isAnother: (claimant: T, held: HeldClaim<T>) => boolean,
): HeldClaim<T>[] {
  const held = new Map<string, HeldClaim<T>>();
  for (const claimant of claimants) {
    for (const claim of claimsOf(claimant)) {
      if (claim.shared || claim.what === 'listener') continue;
      const key = `${claim.what} ${claim.name}`;
      const known = held.get(key);
      if (!known) held.set(key, { claim, by: [claimant] });
      else if (isAnother(claimant, known)) known.by.push(claimant);
    }
  }
  return [...held.values()].filter(({ by }) => by.length > 1);
}
