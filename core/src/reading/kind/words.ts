/* Only so much of a text is looked at for words. */
const readFor = 2000;

/* What a character is: nothing of a word, a small letter, a capital, a digit. */
const [small, capital] = [1, 2];
const kindOfCharacter = Uint8Array.from({ length: 128 }, (_, c) => {
  const character = String.fromCharCode(c);
  return /[a-z]/.test(character) ? small : /[A-Z]/.test(character) ? capital : /\d/.test(character) ? 3 : 0;
});

/**
 * Calls with each word in a stretch of a text, in small letters: words are runs of letters and digits, and
 * within them a new one with each capital behind a small letter (`videoId`).
 */
export function eachWord(text: string, from: number, to: number, heard: (word: string) => void): void {
  const until = Math.min(to, from + readFor);
  let start = -1;
  let hasCapital = false;
  let before = 0;
  for (let i = from; i <= until; i++) {
    const kind = i < until ? (kindOfCharacter[text.charCodeAt(i)] ?? 0) : 0;
    const ends = kind === 0 || (kind === capital && before === small);
    if (start >= 0 && ends) {
      if (i - start > 1) heard(hasCapital ? text.slice(start, i).toLowerCase() : text.slice(start, i));
      start = -1;
    }
    if (kind !== 0 && start < 0) [start, hasCapital] = [i, false];
    hasCapital ||= kind === capital;
    before = kind;
  }
}

/** A text without accents, where it has any (Unicode, normalization form D). */
export const withoutAccents = (text: string): string =>
  // eslint-disable-next-line no-control-regex
  /[^\x00-\x7f]/.test(text)
    ? text.slice(0, readFor).normalize('NFD').replaceAll(/\p{M}/gu, '').replaceAll('ł', 'l')
    : text;
