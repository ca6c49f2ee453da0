import type { IncomingMessage } from 'node:http';
import type { Logger } from 'pino';
import type { Connection } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Origins } from '../origins.ts';
import { addHits, type Hits } from '../store/hits.ts';

export interface HitCounterTools {
  connection: Pick<Connection, 'frames' | 'during'>;
  origins: () => Pick<Origins, 'console'>;
  now: () => Date;
  log: Logger;
}

/** A document that was asked for. */
export interface Shown {
  id: string;
  /** The origins of the site on which it is placed. */
  sites: readonly string[];
}

/** Counts where documents are shown. */
export interface HitCounter {
  note(shown: Shown, headers: IncomingMessage['headers']): void;
  /** Writes down what was counted. */
  flush(): Promise<void>;
  stop(): Promise<void>;
}

/*
 * What browsers name can be made up by anybody. So many pages of its own site are told apart for a document
 * and a day, so many elsewhere, and so many in all between two times of writing; what goes beyond is one
 * number without a page, or not counted.
 */
const most = { ofSite: 200, elsewhere: 10, inAll: 5000 } as const;
/* How often what was counted is written down, in ms. */
const pause = 5000;

/**
 * Counts how often the document of a placement is asked for, by day and by the page that the browser names,
 * as far as it does (Fetch, section 2.2.5: Referer): mostly its site alone. Of the visitor nothing is kept.
 */
export function countHits({ connection, origins, now, log }: HitCounterTools): HitCounter {
  let counted = new Map<string, Hits>();
  /* The same by placement and by what its browser says: most say what was said a moment ago. */
  let recent = new Map<string, Map<string, Hits>>();
  let told = { day: '', pages: new Map<string, Set<string>>() };
  const count = ({ id, sites }: Shown, headers: IncomingMessage['headers']): Hits | null => {
    const page = pageOf(headers);
    if (page === null || originOf(page) === origins().console) return null;
    const day = now().toISOString().slice(0, 10);
    if (told.day !== day) told = { day, pages: new Map() };
    const isOwn = sites.includes(originOf(page));
    const apart = isBounded(told.pages, `${id} ${isOwn}`, page, isOwn ? most.ofSite : most.elsewhere);
    const named = apart ? page : '';
    const key = `${id} ${day} ${named}`;
    const known = counted.get(key);
    if (known) return known;
    if (counted.size >= most.inAll) return null;
    const first = { publicId: id, day, page: named, times: 0 };
    counted.set(key, first);
    return first;
  };
  const note: HitCounter['note'] = (shown, headers) => {
    const referer = headers['sec-fetch-dest'] === 'iframe' ? headers.referer : undefined;
    const again = referer === undefined ? undefined : recent.get(shown.id)?.get(referer);
    if (again) return void again.times++;
    const hits = count(shown, headers);
    if (!hits) return;
    hits.times++;
    if (referer === undefined) return;
    const ofPlacement = recent.get(shown.id) ?? new Map<string, Hits>();
    if (ofPlacement.size < most.elsewhere) recent.set(shown.id, ofPlacement.set(referer, hits));
  };
  const flush = async (): Promise<void> => {
    if (counted.size === 0) return;
    const hits = counted;
    counted = new Map();
    recent = new Map();
    try {
      await connection.during(null, () =>
        inTransaction(connection.frames, (tx) => addHits(tx, [...hits.values()])),
      );
    } catch (error) {
      log.warn({ err: error }, 'hits could not be written down; they are kept for the next time');
      counted = together(hits, counted);
      recent = new Map();
    }
  };
  const timer = setInterval(() => void flush(), pause).unref();
  return {
    note,
    flush,
    stop: () => {
      clearInterval(timer);
      return flush();
    },
  };
}

/* What was counted before with what was counted since, as far as there is room. */
function together(before: Map<string, Hits>, since: ReadonlyMap<string, Hits>): Map<string, Hits> {
  for (const [key, later] of since) {
    const known = before.get(key);
    if (known) known.times += later.times;
    else if (before.size < most.inAll) before.set(key, later);
  }
  return before;
}

/* Whether a page is one of those that are told apart. */
function isBounded(pages: Map<string, Set<string>>, key: string, page: string, bound: number): boolean {
  const known = pages.get(key) ?? new Set<string>();
  if (known.has(page)) return true;
  if (known.size >= bound || pages.size >= most.inAll) return false;
  pages.set(key, known.add(page));
  return true;
}

const longest = 300;

/* The page that a browser names, without what is behind its `?`; empty where it names none, and null where
   nobody shows it in a frame. */
function pageOf(headers: IncomingMessage['headers']): string | null {
  const shownIn = headers['sec-fetch-dest'] ?? (headers.referer === undefined ? 'none' : 'iframe');
  if (shownIn !== 'iframe') return null;
  const { referer = '' } = headers;
  if (!/^https?:/.test(referer) || !URL.canParse(referer)) return '';
  const { origin, pathname } = new URL(referer);
  const page = pathname === '/' ? origin : origin + pathname;
  return page.length <= longest ? page : origin.slice(0, longest);
}

const originOf = (page: string): string => (page === '' ? '' : new URL(page).origin);
