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
export const isSameReason = (a: Reason, b: Reason): boolean =>
  a.code === b.code && JSON.stringify(a.facts) === JSON.stringify(b.facts);
