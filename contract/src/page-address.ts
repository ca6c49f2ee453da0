import { longest, pathPattern } from './key-patterns.ts';

const isPagePath = (text: string): boolean => text.length <= longest.path && pathPattern.test(text);

/** Why an address is no page of a site. */
export type NoPage = 'elsewhere' | 'question' | 'odd';

/**
 * The path of a page as its key has it, from an address or from a path with its slash: `talks`, and nothing
 * for the home page. What stands behind `#` does not count; whether it is asked for with or without TLS
 * neither.
 *
 * @param addresses - of the site, the main one first.
 * @returns the path, or why there is none: it is of another site, it has a question mark, or something in it
 * that no path has.
 * @example
 * pathOnSite('https://site.example/talks#next', ['https://site.example']) // { path: 'talks' }
 */
export function pathOnSite(text: string, addresses: readonly string[]): { path: string } | { why: NoPage } {
  const places = addresses.map((address) => pathAt(text, address));
  return places.find((place) => !('why' in place && place.why === 'elsewhere')) ?? { why: 'elsewhere' };
}

function pathAt(text: string, site: string): { path: string } | { why: NoPage } {
  const home = new URL(site);
  const top = home.pathname.replace(/\/?$/, '/');
  const trimmed = text.trim();
  const whole = /^https?:\/\//i.test(trimmed)
    ? trimmed
    : trimmed.startsWith('/')
      ? `${home.origin}${top}${trimmed.slice(1)}`
      : '';
  if (!URL.canParse(whole)) return { why: 'odd' };
  const url = new URL(whole);
  const isOf = url.hostname === home.hostname && url.port === home.port;
  if (!isOf || url.username !== '' || !`${url.pathname}/`.startsWith(top)) return { why: 'elsewhere' };
  if (url.search !== '') return { why: 'question' };
  const path = url.pathname.slice(top.length);
  return isPagePath(path) ? { path } : { why: 'odd' };
}

/**
 * What a page is called where nobody says it: by the last step of its path.
 * @param home - what the home page is called.
 * @example
 * titleOfPath('talks/open-day_2.html', 'Hollin Fell') // 'Open day 2'
 */
export function titleOfPath(path: string, home: string): string {
  const last = path.split('/').filter(Boolean).at(-1) ?? '';
  const words = pageTitle(
    decoded(last)
      .replace(/\.[a-z]{2,5}$/i, '')
      .replaceAll(/[_+-]/g, ' '),
  );
  return words === '' ? home : words.charAt(0).toUpperCase() + words.slice(1);
}

/** A foreign text as a title of a page can be: in one line, without what no title has, and not too long. */
export const pageTitle = (text: string): string =>
  Array.from(text.replaceAll(/[\p{Cc}\p{Cs}\s]+/gu, ' ').trim())
    .slice(0, 200)
    .join('')
    .trim();

function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    // As it stands.
    return text;
  }
}
