import { diffWordsWithSpace } from 'diff';

/** A run of two texts: in both, only in the first, or only in the second. */
export interface TextRun {
  kind: 'same' | 'gone' | 'new';
  text: string;
}

/* Beyond this many differences there is no likeness worth showing piece by piece. */
const mostDifferences = 2_000;

/**
 * Compares two texts word by word: all runs but the new ones are the first text, all but
 * the gone ones the second.
 */
export function compareTexts(before: string, after: string): TextRun[] {
  if (before === after) return before === '' ? [] : [{ kind: 'same', text: before }];
  const found = diffWordsWithSpace(before, after, { maxEditLength: mostDifferences });
  const runs: TextRun[] = found
    ? found.map(({ added, removed, value }) => ({
        kind: added ? 'new' : removed ? 'gone' : 'same',
        text: value,
      }))
    : [
        { kind: 'gone', text: before },
        { kind: 'new', text: after },
      ];
  return runs.filter(({ text }) => text !== '');
}
