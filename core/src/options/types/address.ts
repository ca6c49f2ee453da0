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

/**
 * A small picture that its address holds itself (RFC 2397): only types that show pixels and nothing else, and
 * small enough to stand in a page.
 */
export const isHeldPicture = (address: string): boolean =>
  address.length <= mostHeld && /^data:image\/(?:avif|jpeg|png|webp);base64,[a-z\d+/]+={0,2}$/i.test(address);
const mostHeld = 1500;

/** The address of a picture. */
export const pictureType: OptionType<string> = {
  ...addressType,
  name: 'picture',
  parse: (text) => parsed(text) ?? notUnderstood('picture'),
};

/** The address of a picture, or a small picture itself. */
export const stillType: OptionType<string> = {
  ...pictureType,
  limits: { held: true },
  parse: (text) => {
    const said = text.trim();
    return isHeldPicture(said) ? { ok: true, value: said } : (parsed(text) ?? notUnderstood('picture'));
  },
};

function parsed(text: string): Parsed<string> | null {
  const url = parseWebAddress(text);
  return url && { ok: true, value: url.href };
}
