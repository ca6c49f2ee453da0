import { notUnderstood, type Parsed } from '../values.ts';
import type { Limits, OptionType } from './type.ts';

/** Reads a line of text without control characters, and takes the blanks around it off. */
export function parseText(text: string, most: number): Parsed<string> {
  const value = text.trim();
  const fits = value !== '' && value.length <= most && !/[\p{Cc}\p{Cs}]/u.test(value);
  return fits ? { ok: true, value } : notUnderstood('text', { most });
}

/** Reads a language tag (BCP 47): `en`, `en-GB`, `zh-Hant`. */
function parseLanguage(text: string): Parsed<string> {
  const value = text.trim();
  return /^[a-z]{2,3}(?:-[a-z0-9]{2,8}){0,3}$/i.test(value) ? { ok: true, value } : notUnderstood('language');
}

/** A line of text, at most so many characters long; with `isLanguage`, the tag of a language. */
export const textType = (
  limits: Required<Pick<Limits, 'length'>> & Pick<Limits, 'isLanguage'>,
): OptionType<string> => ({
  name: 'text',
  limits,
  parse: (text) => (limits.isLanguage ? parseLanguage(text) : parseText(text, limits.length)),
  format: (value) => value,
});
