import { matchFrame, matchLink } from '../sheets/match.ts';
import { directLink } from '../sheets/render.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { Reading } from './reading.ts';

/** Where people can see what a code or link shows, at its provider itself; null where no sheet says. */
export function directOf({ addresses }: Pick<Reading, 'addresses'>, sheets: readonly Sheet[]): string | null {
  for (const { use, url } of addresses) {
    const match = use === 'frame' ? matchFrame(url, sheets) : use === 'link' ? matchLink(url, sheets) : null;
    if (match) return directLink(match);
  }
  return null;
}
