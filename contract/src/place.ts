import { shouldBe } from './misfit.ts';
import { z } from './zod.ts';
import { OrbisError } from './errors.ts';
import { longestPath, pathPattern } from './page-address.ts';

/**
 * A place as people write it: `hollinfell/talks#main` is site, path and spot; the home page is
 * `hollinfell/#main`.
 */
export interface Place {
  site: string;
  path: string;
  spot: string;
}

const namePattern = '[a-z0-9]+(?:-[a-z0-9]+)*';

const site = new RegExp(`^${namePattern}$`);
const page = new RegExp(`^(${namePattern})/(${pathPattern})$`);
const place = new RegExp(`^(${namePattern})/(${pathPattern})#(${namePattern})$`);
const path = new RegExp(`^${pathPattern}$`);
const [longestPage, longestPlace] = [400, 460];

/* Lengths are looked at first: nothing longer is held against a pattern. */
export const siteKey = z
  .string()
  .max(60)
  .regex(site, shouldBe('lower-case letters and digits, with single hyphens between them'))
  .meta({ example: 'hollinfell' });
export const pageKey = z
  .string()
  .max(longestPage)
  .regex(page, shouldBe('written site/path, such as hollinfell/talks; the home page is hollinfell/'))
  .meta({ example: 'hollinfell/talks' });
export const pagePath = z
  .string()
  .max(longestPath)
  .regex(path, shouldBe('a path without the slash before it, such as talks'))
  .meta({ description: 'Empty for the home page', example: 'talks' });
export const spotName = z
  .string()
  .max(60)
  .regex(site, shouldBe('lower-case letters and digits, with single hyphens between them'))
  .meta({ example: 'main' });
export const spotKey = z
  .string()
  .max(longestPlace)
  .regex(place, shouldBe('written site/path#spot, such as hollinfell/talks#main'))
  .meta({ example: 'hollinfell/talks#main' });

const found = (pattern: RegExp, text: string, longest: number): RegExpExecArray => {
  const trimmed = text.trim();
  const match = trimmed.length > longest ? null : pattern.exec(trimmed);
  if (!match) throw new OrbisError('place-invalid', { found: text.slice(0, longest) });
  return match;
};

/** @throws OrbisError `place-invalid` */
export function parsePlace(text: string): Place {
  const [, siteName = '', path = '', spot = ''] = found(place, text, longestPlace);
  return { site: siteName, path, spot };
}

/** @throws OrbisError `place-invalid` */
export function parsePage(text: string): Pick<Place, 'site' | 'path'> {
  const [, siteName = '', path = ''] = found(page, text, longestPage);
  return { site: siteName, path };
}

export const writePlace = ({ site, path, spot }: Place): string => `${site}/${path}#${spot}`;
