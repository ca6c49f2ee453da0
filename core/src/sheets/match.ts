import { URLPattern } from 'urlpattern-polyfill';
import type { AddressPattern, Sheet } from './sheet.ts';

/** A sheet that knows an address, and the item's id found in it. */
export interface SheetMatch {
  sheet: Sheet;
  id: string;
  url: URL;
}

/** Finds the sheet whose frames have addresses like this one. Protocol-relative addresses are read as https. */
export function matchFrame(address: string, sheets: readonly Sheet[]): SheetMatch | null {
  return match(address, sheets, (sheet) => sheet.frames);
}

/** Finds the sheet to whose items people have links like this one. */
export function matchLink(link: string, sheets: readonly Sheet[]): SheetMatch | null {
  return match(link, sheets, (sheet) => sheet.links);
}

function match(address: string, sheets: readonly Sheet[], patternsOf: (sheet: Sheet) => readonly AddressPattern[]): SheetMatch | null {
  if (!URL.canParse(address, 'https://relative.invalid/')) return null;
  const url = new URL(address, 'https://relative.invalid/');
  if (url.protocol !== 'http:' && url.protocol !== 'https:') return null;
  for (const sheet of sheets) {
    for (const pattern of patternsOf(sheet)) {
      // Most patterns name one host: comparing it is far cheaper than asking the pattern.
      if (/^[a-z0-9.-]+$/.test(pattern.hostname) && pattern.hostname !== url.hostname) continue;
      const found = compiled(pattern).exec(url.href);
      const id = found?.pathname.groups['id'] ?? found?.search.groups['id'];
      if (id) return { sheet, id, url };
    }
  }
  return null;
}

const cache = new WeakMap<AddressPattern, URLPattern>();

function compiled(pattern: AddressPattern): URLPattern {
  let made = cache.get(pattern);
  if (!made) cache.set(pattern, (made = new URLPattern({ ...pattern })));
  return made;
}
