import colourNames from 'color-name';
import { notUnderstood, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

/**
 * Reads a colour (CSS Color 4, sections 5.2 and 6.1): `#aa3355` or `#a35`, with or without the sign, or by
 * its name, such as `rebeccapurple`.
 */
export function parseColour(text: string): Parsed<string> {
  const named = Object.hasOwn(names, text.trim().toLowerCase())
    ? names[text.trim().toLowerCase()]
    : undefined;
  if (named)
    return { ok: true, value: `#${named.map((part) => part.toString(16).padStart(2, '0')).join('')}` };
  const found = /^#?(?:([0-9a-f]{6})|([0-9a-f]{3}))$/i.exec(text.trim());
  const six = found?.[1] ?? (found?.[2] ? found[2].replaceAll(/./g, '$&$&') : null);
  return six === null ? notUnderstood('colour') : { ok: true, value: `#${six.toLowerCase()}` };
}

const names: Readonly<Record<string, readonly number[]>> = colourNames;

/** A colour as `#rrggbb`, in lower case. */
export const colourType: OptionType<string> = {
  name: 'colour',
  limits: {},
  parse: parseColour,
  format: (value) => value,
};
