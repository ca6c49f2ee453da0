import { z } from './zod.ts';
import { OrbisError } from './errors.ts';

/** A place as people write it: `hollinfell/talks#main` is site, path and spot; the home page is `hollinfell/#main`. */
export interface Place {
  site: string;
  path: string;
  spot: string;
}

const sitePattern = '[a-z0-9]+(?:-[a-z0-9]+)*';
const pathPattern = "(?:[A-Za-z0-9._~!$&'()*+,;=:@%-]+/?)*";
const spotPattern = '[a-z0-9]+(?:-[a-z0-9]+)*';

export const siteKey = z
  .string()
  .regex(new RegExp(`^${sitePattern}$`), 'lower-case letters and digits, with single hyphens between them')
  .max(60)
  .meta({ example: 'hollinfell' });
export const pageKey = z
  .string()
  .regex(new RegExp(`^${sitePattern}/${pathPattern}$`), 'a page is written site/path, such as hollinfell/talks; the home page is hollinfell/')
  .max(400)
  .meta({ example: 'hollinfell/talks' });
export const spotName = z
  .string()
  .regex(new RegExp(`^${spotPattern}$`), 'lower-case letters and digits, with single hyphens between them')
  .max(60)
  .meta({ example: 'main' });
export const spotKey = z
  .string()
  .regex(new RegExp(`^${sitePattern}/${pathPattern}#${spotPattern}$`), 'a place is written site/path#spot, such as hollinfell/talks#main')
  .max(460)
  .meta({ example: 'hollinfell/talks#main' });

/** @throws OrbisError `place-invalid` */
export function parsePlace(text: string): Place {
  const found = new RegExp(`^(${sitePattern})/(${pathPattern})#(${spotPattern})$`).exec(text.trim());
  if (!found) throw new OrbisError('place-invalid', { found: text });
  return { site: found[1]!, path: found[2]!, spot: found[3]! };
}

/** @throws OrbisError `place-invalid` */
export function parsePage(text: string): Pick<Place, 'site' | 'path'> {
  const found = new RegExp(`^(${sitePattern})/(${pathPattern})$`).exec(text.trim());
  if (!found) throw new OrbisError('place-invalid', { found: text });
  return { site: found[1]!, path: found[2]! };
}

export const writePlace = ({ site, path, spot }: Place): string => `${site}/${path}#${spot}`;
