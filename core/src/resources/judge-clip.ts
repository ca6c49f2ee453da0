import type { Facts } from '../reason.ts';
import type { Clip } from './resources-in.ts';

/** That a part of a film is to be played which it does not have. */
export interface ClipFinding {
  rule: 'clip-outside';
  level: 'error' | 'warning';
  facts: Facts;
}

/* Players and containers do not agree on the last moments, in seconds. */
const tolerance = 1;

/**
 * Holds a part that is to be played against how long the film is, in seconds.
 * @returns null where all of it is there.
 */
export function judgeClip({ start, end }: Clip, length: number): ClipFinding | null {
  const facts = { start, end, length: Math.round(length) };
  if (start >= length) return { rule: 'clip-outside', level: 'error', facts };
  return end !== null && end > length + tolerance ? { rule: 'clip-outside', level: 'warning', facts } : null;
}
