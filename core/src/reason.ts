/** Plain facts that a sentence is made of. */
export type Facts = Readonly<Record<string, string | number | boolean | null>>;

/**
 * Why something is so, is changed, or cannot be: a code with facts. The sentence is made at the edge, from a
 * file for each language.
 */
export interface Reason {
  code: string;
  facts: Facts;
}

export const reason = (code: string, facts: Facts = {}): Reason => ({ code, facts });

/** Whether two reasons say the same. */
export function isSameReason(a: Reason, b: Reason): boolean {
  if (a.code !== b.code) return false;
  const names = Object.keys(a.facts);
  if (names.length !== Object.keys(b.facts).length) return false;
  return names.every((name) => a.facts[name] === b.facts[name]);
}
