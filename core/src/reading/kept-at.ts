import { keptPages, type KeptPage } from '../sheets/render.ts';
import { matchFrame, matchLink } from '../sheets/match.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { Reading } from './reading.ts';

/**
 * Where the provider of a code keeps what belongs to it on pages of its own: what is set there, what visitors
 * chose or sent, how often it was seen; as its sheet says.
 * @param account the item’s own id, where the code says it beside an address
 */
export function keptAt(
  { addresses, sheet: of }: Pick<Reading, 'addresses' | 'sheet'>,
  account: string | null,
  sheets: readonly Sheet[],
): KeptPage[] {
  const sheet = sheets.find(({ id }) => id === of?.id);
  if (!sheet?.keeps) return [];
  for (const { use, url } of addresses) {
    const match =
      use === 'frame' ? matchFrame(url, [sheet]) : use === 'link' ? matchLink(url, [sheet]) : null;
    if (match) return keptPages(match);
  }
  const own = addresses.find(({ url }) => isOn(url, sheet));
  return account === null || !own ? [] : keptPages({ sheet, id: account, url: urlOf(own.url)! });
}

const isOn = (url: string, { hosts }: Sheet): boolean => hosts.includes(urlOf(url)?.hostname ?? '');

function urlOf(address: string): URL | null {
  const full = address.startsWith('//') ? `https:${address}` : address;
  return URL.canParse(full) ? new URL(full) : null;
}
