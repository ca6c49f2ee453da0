/* Only so much of a text is looked at for words. */
const readFor = 2000;

/**
 * Calls with each word in a stretch of a text, in small letters: words are runs of letters and digits, and
 * within them a new one with each capital behind a small letter (`videoId`).
 */
export function eachWord(text: string, from: number, to: number, heard: (word: string) => void): void {
  const until = Math.min(to, from + readFor);
  let start = -1;
  let hasUpper = false;
  let wasLower = false;
  for (let i = from; i <= until; i++) {
    const c = i < until ? text.charCodeAt(i) : 0;
    const isLower = c >= 97 && c <= 122;
    const isUpper = c >= 65 && c <= 90;
    const inside = isLower || isUpper || (c >= 48 && c <= 57);
    if (start >= 0 && (!inside || (isUpper && wasLower))) {
      if (i - start > 1) heard(hasUpper ? text.slice(start, i).toLowerCase() : text.slice(start, i));
      start = -1;
    }
    if (inside && start < 0) {
      start = i;
      hasUpper = false;
    }
    if (isUpper) hasUpper = true;
    wasLower = isLower;
  }
}

/** A text without accents, where it has any (Unicode, normalization form D). */
export const withoutAccents = (text: string): string =>
  // eslint-disable-next-line no-control-regex
  /[^\x00-\x7f]/.test(text)
    ? text.slice(0, readFor).normalize('NFD').replaceAll(/\p{M}/gu, '').replaceAll('ł', 'l')
    : text;
