import { LRUCache } from 'lru-cache';
import type { Beside, PageWithRoom, PlaceOnPage } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import type { FetchedPage } from '../fetching/client.ts';
import { pageKeyOf, pageUrl } from '../serializers/places.ts';
import { placementsOn, type PageOfRegister } from '../store/placements.ts';
import { pageShowing } from './page-showing.ts';
import { pageByKey } from './places.ts';
import { readPage } from './read-page.ts';

type Tools = Pick<Deps, 'connection' | 'fetching' | 'reader'>;

/** Where on a page of the register something is to be seen. */
export interface OnPage {
  page: string;
  /** Null: instead of its code that stands there, else where it most likely goes. */
  beside: Beside | null;
}

/** A published page with room for what is to be seen in it. */
export interface RoomOnPage {
  room: PageWithRoom;
  url: string;
  site: PageOfRegister['site'];
}

/**
 * Fetches a published page, and makes room in it.
 * @param isOfIt whether a placement on the page is one of what is shown.
 * @throws OrbisError `not-found`, `nothing-to-sweep`, `page-unreadable`, `place-not-on-page`
 */
export async function roomOn(
  { page: key, beside }: OnPage,
  isOfIt: (placed: { placement: string; embed: string }) => boolean,
  tools: Tools,
): Promise<RoomOnPage> {
  const { db } = tools.connection;
  const { site, page } = await pageByKey(db, key);
  const shown = await pageShowing(db, { site, page });
  const { url, text } = await lately(pageUrl(shown.site, shown.page), tools);
  const placements = (await placementsOn(db, page.id))
    .filter(({ placement, embed }) => isOfIt({ placement: placement.publicId, embed: embed.key }))
    .map(({ placement }) => placement.publicId);
  const room = await tools.reader.pageWithRoom({ html: text, address: url, beside, placements });
  if (Array.isArray(room)) throw notThere(pageKeyOf({ site, page }), beside!, room);
  return { room, url, site };
}

/* The same page is looked at again with each change of what is shown in it: it is not fetched each time. */
const keptFor = 120_000;
const fetched = new WeakMap<Tools['fetching'], LRUCache<string, FetchedPage>>();

async function lately(address: string, tools: Tools): Promise<FetchedPage> {
  const { fetching } = tools;
  const kept =
    fetched.get(fetching) ??
    fetched
      .set(
        fetching,
        new LRUCache({
          maxSize: 30_000_000,
          sizeCalculation: ({ text }) => 2 * text.length + 1,
          ttl: keptFor,
        }),
      )
      .get(fetching)!;
  const known = kept.get(address);
  if (known) return known;
  const page = await readPage(address, tools);
  kept.set(address, page);
  return page;
}

const namedAtMost = 8;

function notThere(page: string, beside: Beside, places: readonly PlaceOnPage[]): OrbisError {
  const named = places.slice(0, namedAtMost).map(({ words }) => `“${words}”`);
  return new OrbisError('place-not-on-page', {
    page,
    asked:
      'words' in beside
        ? `No heading or paragraph that begins with “${beside.words}” is on`
        : `There is no place ${beside.at} on`,
    has: `${named.join(', ')}${places.length > namedAtMost ? ` and ${places.length - namedAtMost} more` : ''}`,
  });
}
