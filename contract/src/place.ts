import { shouldBe } from './misfit.ts';
import { z } from './zod.ts';
import { OrbisError } from './errors.ts';
import {
  blockPattern,
  longest,
  namePattern,
  pagePattern,
  pathPattern,
  placePattern,
  sharedSpotPattern,
} from './key-patterns.ts';

/**
 * A place as people write it: `hollinfell/talks#main` is site, path and spot; the home page is
 * `hollinfell/#main`.
 */
export interface Place {
  site: string;
  path: string;
  spot: string;
}

/* Lengths are looked at first: nothing longer is held against a pattern. */
export const siteKey = z
  .string()
  .max(60)
  .regex(namePattern, shouldBe('lower-case letters and digits, with single hyphens between them'))
  .meta({ example: 'hollinfell' });
export const pageKey = z
  .string()
  .max(longest.page)
  .regex(
    pagePattern,
    shouldBe(
      'written site/path, such as hollinfell/talks; the home page is hollinfell/, and a block hollinfell/{footer}',
    ),
  )
  .meta({ example: 'hollinfell/talks' });
export const pagePath = z
  .string()
  .max(longest.path)
  .regex(pathPattern, shouldBe('a path without the slash before it, such as talks'))
  .meta({ description: 'Empty for the home page', example: 'talks' });
export const spotName = z
  .string()
  .max(60)
  .regex(namePattern, shouldBe('lower-case letters and digits, with single hyphens between them'))
  .meta({ example: 'main' });
export const spotKey = z
  .string()
  .max(longest.place)
  .regex(placePattern, shouldBe('written site/path#spot, such as hollinfell/talks#main'))
  .meta({ example: 'hollinfell/talks#main' });

export const sharedSpotKey = z
  .string()
  .max(longest.sharedSpot)
  .regex(sharedSpotPattern, shouldBe('written site#spot, such as hollinfell#main'))
  .meta({ example: 'hollinfell#main' });

const found = (pattern: RegExp, text: string, most: number): RegExpExecArray => {
  const trimmed = text.trim();
  const match = trimmed.length > most ? null : pattern.exec(trimmed);
  if (!match) throw new OrbisError('place-invalid', { found: text.slice(0, most) });
  return match;
};

/** @throws OrbisError `place-invalid` */
export function parsePlace(text: string): Place {
  const [, siteName = '', path = '', spot = ''] = found(placePattern, text, longest.place);
  return { site: siteName, path, spot };
}

/** @throws OrbisError `place-invalid` */
export function parsePage(text: string): Pick<Place, 'site' | 'path'> {
  const [, siteName = '', path = ''] = found(pagePattern, text, longest.page);
  return { site: siteName, path };
}

/** Whether a path is that of a block, which stands on many pages: `{footer}`. */
export const isBlockPath = (path: string): boolean => path.length <= longest.path && blockPattern.test(path);

/** @throws OrbisError `shared-spot-invalid` */
export function parseSharedSpot(text: string): Pick<Place, 'site' | 'spot'> {
  const trimmed = text.trim();
  const match = trimmed.length > longest.sharedSpot ? null : sharedSpotPattern.exec(trimmed);
  if (!match) throw new OrbisError('shared-spot-invalid', { found: text.slice(0, longest.sharedSpot) });
  const [, siteName = '', spot = ''] = match;
  return { site: siteName, spot };
}

export const writePlace = ({ site, path, spot }: Place): string => `${site}/${path}#${spot}`;
