import { pathOnSite, type FoundPages } from '@orbis/contract';
import type { FetchFailure } from '../../fetching/failure.ts';

/** A page that was found: its path, and its title where it was read. */
export interface CollectedPage {
  path: string;
  title: string | null;
}

/** The pages of a site as they are found, each once. */
export interface PageCollection {
  /** The path of a page on the site; null where an address is none, which is counted. */
  pathOf(address: string): string | null;
  /** Takes a page. @returns whether it is a new one, and there is room. */
  add(path: string): boolean;
  titled(path: string, title: string | null): void;
  /** Says that something was read, or could not be. */
  read(): void;
  unread(address: string, failure: Pick<FetchFailure, 'message'>): void;
  isFull(): boolean;
  count(): { read: number; found: number };
  found(): Omit<FoundPages, 'pages'> & { pages: CollectedPage[] };
}

/* So many are told. */
const mostUnread = 20;

/** @param addresses - of the site. */
export function collectPages(addresses: readonly string[], most: number): PageCollection {
  const pages = new Map<string, string | null>();
  const others = new Set<string>();
  const leftOut = { elsewhere: 0, question: 0, odd: 0 };
  const unread: FoundPages['unread'] = [];
  let read = 0;
  let failures = 0;
  let isCut = false;
  return {
    pathOf: (address) => {
      const place = pathOnSite(address, addresses);
      if ('path' in place) return place.path;
      // The same address on every page counts once.
      if (!others.has(address)) leftOut[place.why]++;
      others.add(address);
      return null;
    },
    add: (path) => {
      if (pages.has(path)) return false;
      if (pages.size >= most) isCut = true;
      else pages.set(path, null);
      return !isCut;
    },
    titled: (path, title) => {
      if (pages.has(path)) pages.set(path, title);
    },
    read: () => void read++,
    unread: (address, { message }) => {
      // A site whose links lead nowhere is not asked for ever.
      if (++failures > most) isCut = true;
      if (unread.length < mostUnread) unread.push({ address, why: message });
    },
    isFull: () => isCut,
    count: () => ({ read, found: pages.size }),
    found: () => ({
      pages: [...pages].map(([path, title]) => ({ path, title })),
      read,
      leftOut,
      unread,
      isCut,
    }),
  };
}
