import type { Coordinates, Parsed } from './setting.ts';

/** Reads a number as people say it, within bounds; `13`, `1.5`, `50 %`. */
export function parseNumber(text: string, least: number, most: number, whole = true): Parsed<number> {
  const said = text.trim().replace(/\s?(?:%|px)$/, '');
  const value = /^-?\d{1,9}(?:\.\d{1,6})?$/.test(said) ? Number(said) : NaN;
  const fits = value >= least && value <= most && (!whole || Number.isInteger(value));
  return fits ? { ok: true, value } : { ok: false, expected: `a ${whole ? 'whole ' : ''}number from ${least} to ${most}` };
}

/** Reads a colour (CSS Color 4, section 5.2): `#aa3355` or `#a35`, with or without the sign. */
export function parseColour(text: string): Parsed<string> {
  const found = /^#?(?:([0-9a-f]{6})|([0-9a-f]{3}))$/i.exec(text.trim());
  const six = found?.[1] ?? (found?.[2] ? [...found[2]].map((digit) => digit + digit).join('') : null);
  return six === null ? { ok: false, expected: 'a colour such as #aa3355' } : { ok: true, value: `#${six.toLowerCase()}` };
}

/** Reads a place (RFC 5870, section 3.4.2): `54.3712, -2.1048`; latitude first, degrees with up to six decimals. */
export function parseCoordinates(text: string): Parsed<Coordinates> {
  const found = /^\s{0,9}(-?\d{1,2}(?:\.\d{1,6})?)\s{0,4}[,;\s]\s{0,4}(-?\d{1,3}(?:\.\d{1,6})?)\s{0,9}$/.exec(text);
  const [latitude, longitude] = [Number(found?.[1] ?? NaN), Number(found?.[2] ?? NaN)];
  const fits = Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
  return fits ? { ok: true, value: { latitude, longitude } } : { ok: false, expected: 'latitude and longitude in degrees, such as 54.3712, -2.1048' };
}

export const sayCoordinates = ({ latitude, longitude }: Coordinates): string => `${latitude}, ${longitude}`;

/** Reads a line of text. */
export function parseText(text: string, most: number): Parsed<string> {
  const value = text.trim();
  const fits = value !== '' && value.length <= most && !/[\p{Cc}\p{Cs}]/u.test(value);
  return fits ? { ok: true, value } : { ok: false, expected: `a line of text, at most ${most} characters` };
}

/** Reads a language tag (BCP 47): `en`, `en-GB`, `zh-Hant`. */
export function parseLanguage(text: string): Parsed<string> {
  const value = text.trim();
  return /^[a-z]{2,3}(?:-[a-z0-9]{2,8}){0,3}$/i.test(value) ? { ok: true, value } : { ok: false, expected: 'a language such as en, de or en-GB' };
}

/** Reads one of some words. */
export function parseChoice(text: string, words: readonly string[]): Parsed<string> {
  const value = text.trim().toLowerCase();
  return words.includes(value) ? { ok: true, value } : { ok: false, expected: words.join(' or ') };
}
