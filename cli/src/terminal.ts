/* What our own colours are made of (ECMA-48, section 8.3.117, SGR); every other sequence moves the cursor,
   hides or renames something. */
const own = /^\x1b\[(?:0|1|2|4|22|24|3[0-79]|9[0-7])m/; // eslint-disable-line no-control-regex

/* Control characters but for line ends and tabs, and those that turn the direction of writing. */
const control = /[\p{Cc}\u202a-\u202e\u2066-\u2069]/gu;

/**
 * A text as it is written to a terminal: names, titles and codes come from elsewhere, and must not steer it.
 * What would is shown as �; our own colours stay.
 */
export const forTerminal = (text: string): string =>
  text.replace(control, (character, at: number) => {
    if (character === '\n' || character === '\t') return character;
    if (character === '\r') return text[at + 1] === '\n' ? '' : '�';
    return character === '\x1b' && own.test(text.slice(at, at + 6)) ? character : '�';
  });

/** A number that was typed as a word. @returns null where it is none, or outside the limits. */
export function wholeNumber(word: string, least: number, most: number): number | null {
  const number = /^\d{1,9}$/.test(word) ? Number(word) : NaN;
  return number >= least && number <= most ? number : null;
}
