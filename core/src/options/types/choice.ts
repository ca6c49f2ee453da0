import { notUnderstood } from '../values.ts';
import { parseText } from './text.ts';
import type { OptionType } from './type.ts';

/**
 * One of some words. Without any, each provider has its own, and its sheet says which.
 *
 * @param also - other ways of writing some of them.
 */
export function choiceType(
  words?: readonly string[],
  also: Readonly<Record<string, string>> = {},
): OptionType<string> {
  return {
    name: 'choice',
    limits: words ? { words } : {},
    parse: (text) => {
      if (!words) return parseText(text, 40);
      const said = text.trim().toLowerCase();
      const value = Object.hasOwn(also, said) ? also[said]! : said;
      return words.includes(value)
        ? { ok: true, value }
        : notUnderstood('choice', { words: words.join(', ') });
    },
    format: (value) => value,
  };
}
