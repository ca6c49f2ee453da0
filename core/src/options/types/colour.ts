import { notUnderstood, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

/** Reads a colour (CSS Color 4, section 5.2): `#aa3355` or `#a35`, with or without the sign. */
export function parseColour(text: string): Parsed<string> {
  const found = /^#?(?:([0-9a-f]{6})|([0-9a-f]{3}))$/i.exec(text.trim());
  const six = found?.[1] ?? (found?.[2] ? found[2].replaceAll(/./g, '$&$&') : null);
  return six === null ? notUnderstood('colour') : { ok: true, value: `#${six.toLowerCase()}` };
}

/** A colour as `#rrggbb`, in lower case. */
export const colourType: OptionType<string> = {
  name: 'colour',
  limits: {},
  parse: parseColour,
  format: (value) => value,
};
