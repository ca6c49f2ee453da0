import { tradesOf, type Trade } from './vocabulary.ts';

/* Only so much of a text is looked at for words. */
const readFor = 2000;
const [isLower, isUpper, isDigit] = [
  (c: number): boolean => c >= 97 && c <= 122,
  (c: number): boolean => c >= 65 && c <= 90,
  (c: number): boolean => c >= 48 && c <= 57,
];

/**
 * Calls with each word of a trade in a text, or in a stretch of it: words are runs of letters and digits, and
 * within them a new one with each capital behind a small letter (`videoId`).
 */
export function eachWord(
  text: string,
  heard: (trades: readonly Trade[], word: string) => void,
  from = 0,
  to = text.length,
): void {
  const until = Math.min(to, from + readFor);
  let start = -1;
  let before = 0;
  for (let i = from; i <= until; i++) {
    const c = i < until ? text.charCodeAt(i) : 0;
    const inside = isLower(c) || isUpper(c) || isDigit(c);
    if (start >= 0 && (!inside || (isUpper(c) && isLower(before)))) {
      if (i - start > 1) {
        const word = text.slice(start, i).toLowerCase();
        const trades = tradesOf(word);
        if (trades) heard(trades, word);
      }
      start = -1;
    }
    if (inside && start < 0) start = i;
    before = c;
  }
}

/** A text without accents, where it has any (Unicode, normalization form D). */
export const withoutAccents = (text: string): string =>
  // eslint-disable-next-line no-control-regex
  /[^\x00-\x7f]/.test(text)
    ? text.slice(0, readFor).normalize('NFD').replaceAll(/\p{M}/gu, '').replaceAll('ł', 'l')
    : text;
