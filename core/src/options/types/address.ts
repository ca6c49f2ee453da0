import { notUnderstood, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

const longestAddress = 2000;

/**
 * Reads the address of something on the web (URL standard, section 4.4): http or https, with nobody’s name
 * and password in it.
 */
function parseWebAddress(text: string): URL | null {
  const said = text.trim();
  if (said.length > longestAddress || !/^https?:\/\//i.test(said) || /\s/.test(said) || !URL.canParse(said))
    return null;
  const url = new URL(said);
  return url.username === '' && url.password === '' ? url : null;
}

/** The address of a page or a file, whole, as browsers write it. */
export const addressType: OptionType<string> = {
  name: 'address',
  limits: {},
  parse: (text) => parsed(text) ?? notUnderstood('address'),
  format: (value) => value,
};

/** The address of a picture. */
export const pictureType: OptionType<string> = {
  ...addressType,
  name: 'picture',
  parse: (text) => parsed(text) ?? notUnderstood('picture'),
};

function parsed(text: string): Parsed<string> | null {
  const url = parseWebAddress(text);
  return url && { ok: true, value: url.href };
}
