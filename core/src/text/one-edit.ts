import { distance } from 'fastest-levenshtein';

/** Whether two words are one slip apart: a letter more, less, another, or two changed about. */
export function isOneEditAway(a: string, b: string): boolean {
  if (Math.abs(a.length - b.length) > 1) return false;
  const edits = distance(a, b);
  return edits === 1 || (edits === 2 && a.length === b.length && lettersOf(a) === lettersOf(b));
}

const lettersOf = (word: string): string => Array.from(word).sort().join('');
