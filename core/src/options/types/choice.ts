import { notUnderstood } from '../values.ts';
import { parseText } from './text.ts';
import type { OptionType } from './type.ts';

/** One of some words. Without any, each provider has its own, and its sheet says which. */
export function choiceType(words?: readonly string[]): OptionType<string> {
  return {
    name: 'choice',
    limits: words ? { words } : {},
    parse: (text) => {
      if (!words) return parseText(text, 40);
      const value = text.trim().toLowerCase();
      return words.includes(value)
        ? { ok: true, value }
        : notUnderstood('choice', { words: words.join(', ') });
    },
    format: (value) => value,
  };
}
