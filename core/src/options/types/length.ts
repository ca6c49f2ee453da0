import { notUnderstood, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

/** Reads a length (CSS Values and Units 4, section 6): `12`, which is px, `12px`, `1.5rem`, `50%`. */
function parseLength(text: string): Parsed<string> {
  const found = /^(\d{1,5}(?:\.\d{1,3})?)\s?(px|em|rem|ch|vw|vh|%)?$/.exec(text.trim().toLowerCase());
  return found ? { ok: true, value: `${Number(found[1])}${found[2] ?? 'px'}` } : notUnderstood('length');
}

/** A length with its unit, as style rules have it. */
export const lengthType: OptionType<string> = {
  name: 'length',
  limits: {},
  parse: parseLength,
  format: (value) => value,
};
