import { notUnderstood, type Coordinates, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

/**
 * Reads a place (RFC 5870, section 3.4.2): `54.3712, -2.1048`; latitude first,
 * degrees with up to six decimals.
 */
export function parseCoordinates(text: string): Parsed<Coordinates> {
  const found = /^\s{0,9}(-?\d{1,2}(?:\.\d{1,6})?)\s{0,4}[,;\s]\s{0,4}(-?\d{1,3}(?:\.\d{1,6})?)\s{0,9}$/.exec(
    text,
  );
  const [latitude, longitude] = [Number(found?.[1] ?? NaN), Number(found?.[2] ?? NaN)];
  const fits = Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
  return fits ? { ok: true, value: { latitude, longitude } } : notUnderstood('coordinates');
}

export const formatCoordinates = ({ latitude, longitude }: Coordinates): string =>
  `${latitude}, ${longitude}`;

/** A place on the earth, in WGS 84 degrees. */
export const coordinatesType: OptionType<Coordinates> = {
  name: 'coordinates',
  limits: {},
  parse: parseCoordinates,
  format: formatCoordinates,
};
