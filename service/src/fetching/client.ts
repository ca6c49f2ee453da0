import { LRUCache } from 'lru-cache';
import { robotsAllow, type RobotsQuestion } from '../reading/robots-rules.ts';
import { resolveHost } from './addresses.ts';
import { decodePage } from './decode.ts';
import { checkAddress, createAgent } from './dial.ts';
import { createRobots, type Robots } from './robots.ts';
import { failureOf, FetchFailure } from './failure.ts';
import { hop, type Fetched, type GetOptions } from './hop.ts';
import { post, type SendOptions, type Sent } from './post.ts';

export interface FetchedPage {
  /** Where it was found in the end, after redirects. */
  url: string;
  /** Whether it was led there for good. */
  isMoved: boolean;
  status: number;
  text: string;
  /** By which its host knows exactly this text again (RFC 9110, section 8.8.3); empty for nothing. */
  etag: string;
}

/** A page of which its host says that it is as it was. */
export interface KnownPage {
  status: 304;
  text: null;
}

export interface FetchingOptions {
  /** Lets undeclared private addresses and other ports pass: for demos and tests only. */
  allowPrivate: boolean;
  seconds?: number;
  /** Of the body after decompression. */
  bytes?: number;
  redirects?: number;
  /** How names become addresses; the system's way where nothing is said. */
  resolve?: typeof resolveHost;
  /** Whom to trust beside those that everybody does: for tests. */
  ca?: string;
  /** What reads a site's robots.txt, away from the service's own thread. */
  robots?: (question: RobotsQuestion) => Promise<boolean>;
}

export interface Fetching {
  /**
   * Reads a page as it is published now, past every cache. Of a site that is not declared, only what its
   * robots.txt lets programs read (RFC 9309).
   * @param declared addresses of the owner's own sites: they may be anywhere and have any port; nothing else
   * private may.
   * @throws FetchFailure with what went wrong and what to do.
   */
  readPage(url: string, declared: readonly string[]): Promise<FetchedPage>;
  /** The same for a page whose text is known under a tag. @throws FetchFailure */
  readPageAgain(url: string, declared: readonly string[], etag: string): Promise<FetchedPage | KnownPage>;
  /** The same as visitors get it, who may get what a cache has. @throws FetchFailure */
  readPageAsVisitors(url: string, declared: readonly string[]): Promise<FetchedPage>;
  /** Asks for anything at all, by the same rules. @throws FetchFailure */
  get(url: string, options: GetOptions): Promise<Fetched>;
  /**
   * Sends something to an address, by the same rules; where that leads on, it is not followed.
   * @throws FetchFailure where nothing answers.
   */
  send(url: string, options: SendOptions): Promise<Sent>;
  /** When the certificate of a host ends that was reached by TLS; null where that is not known. */
  certificateEnds(address: string): Date | null;
  /** Breaks off what is being fetched, with {@link FetchingClosed}. */
  close(): Promise<void>;
}

/** Nothing is fetched any more: Orbis is stopping. */
class FetchingClosed extends Error {
  override name = 'FetchingClosed';
}

/**
 * The one client by which Orbis fetches anything. The address that was checked is the
 * address that is dialled.
 */
export function createFetching({
  allowPrivate,
  seconds = 15,
  bytes = 5_000_000,
  redirects = 5,
  resolve = resolveHost,
  ca,
  robots: allows = (question) => Promise.resolve(robotsAllow(question)),
}: FetchingOptions): Fetching {
  const closed = new AbortController();
  const certificates = new LRUCache<string, Date>({ max: 2000 });
  const dialling = {
    ...{ seconds, resolve, ca },
    onCertificate: (host: string, ends: Date) => void certificates.set(host, ends),
  };
  const agents = {
    trusted: createAgent({ ...dialling, anywhere: true }),
    strange: createAgent({ ...dialling, anywhere: allowPrivate }),
  };

  const get: Fetching['get'] = async (address, options) => {
    const origins = new Set(options.declared.map((site) => new URL(site).origin));
    const signal = AbortSignal.any([AbortSignal.timeout(seconds * 1000), closed.signal]);
    let url = new URL(address);
    const led: number[] = [];
    try {
      for (let left = redirects; ; left--) {
        const isOwn = origins.has(url.origin);
        checkAddress(url, isOwn || allowPrivate);
        const dispatcher = isOwn ? agents.trusted : agents.strange;
        const found = await hop(url, { dispatcher, signal, bytes }, options);
        if (!('leadsTo' in found)) return { ...found, isMoved: led.length > 0 && led.every(isForGood) };
        if (left === 0)
          throw new FetchFailure(
            `${url.host} leads on more than ${redirects} times.`,
            'See where the page’s address leads in a browser.',
            found.status,
          );
        led.push(found.status);
        url = nextHop(url, found.leadsTo);
      }
    } catch (error) {
      // That Orbis stops says nothing of the page.
      if (closed.signal.aborted) throw new FetchingClosed('Orbis is stopping.');
      throw failureOf(error, url, seconds);
    }
  };

  const robots = createRobots(get, allows);
  return {
    close: async () => {
      closed.abort();
      await Promise.all([agents.trusted.destroy(), agents.strange.destroy()]);
    },
    get,
    certificateEnds: (address) =>
      address.startsWith('https:') ? (certificates.get(new URL(address).host) ?? null) : null,
    send: sendWith(agents, { allowPrivate, seconds, closed: closed.signal }),
    ...readPagesWith(get, robots),
  };
}

type Agents = Record<'trusted' | 'strange', ReturnType<typeof createAgent>>;

/* Sends something to where it may go. */
const sendWith =
  (
    { trusted, strange }: Agents,
    { allowPrivate, seconds, closed }: { allowPrivate: boolean; seconds: number; closed: AbortSignal },
  ): Fetching['send'] =>
  async (address, { declared, ...what }) => {
    const url = new URL(address);
    const isOwn = declared.some((site) => new URL(site).origin === url.origin);
    const signal = AbortSignal.any([AbortSignal.timeout(seconds * 1000), closed]);
    try {
      checkAddress(url, isOwn || allowPrivate);
      return await post(url, { dispatcher: isOwn ? trusted : strange, signal }, what);
    } catch (error) {
      if (closed.aborted) throw new FetchingClosed('Orbis is stopping.');
      throw failureOf(error, url, seconds);
    }
  };

/* A page, from wherever its robots.txt and those of where it leads let it be read. */
function readPagesWith(get: Fetching['get'], robots: Robots): ReadsPages {
  const read = async (
    address: string,
    declared: readonly string[],
    how: Pick<GetOptions, 'knownAs' | 'throughCaches'>,
  ): Promise<FetchedPage | KnownPage> => {
    const own = new Set(declared.map((site) => new URL(site).origin));
    const ask = async (at: string): Promise<void> => {
      if (/^https?:/i.test(at) && !own.has(new URL(at).origin)) await robots.check(at);
    };
    await ask(address);
    const { url, status, body, headers, isMoved } = await get(address, {
      declared,
      accept: 'text/html, application/xhtml+xml;q=0.9',
      pagesOnly: true,
      ...how,
    });
    // Where it was led to another site, that one is asked too before anything is made of its page.
    if (new URL(url).origin !== new URL(address).origin) await ask(url);
    if (status === 304) return { status, text: null };
    const text = decodePage(body, headers.get('content-type') ?? '');
    return { url, isMoved, status, text, etag: strongTag(headers.get('etag')) };
  };
  // Nobody answers so who was not asked whether something has changed: other answers with 304 are refused.
  const readNew = async (...of: Parameters<typeof read>): Promise<FetchedPage> =>
    (await read(...of)) as FetchedPage;
  return {
    readPage: (address, declared) => readNew(address, declared, {}),
    readPageAgain: (address, declared, etag) => read(address, declared, { knownAs: etag }),
    readPageAsVisitors: (address, declared) => readNew(address, declared, { throughCaches: true }),
  };
}

type ReadsPages = Pick<Fetching, 'readPage' | 'readPageAgain' | 'readPageAsVisitors'>;

/* A weak one may stay as it is although a code has changed (RFC 9110, section 8.8.1). */
const strongTag = (value: string | null): string =>
  value !== null && /^"[\x21\x23-\x7e]{0,250}"$/.test(value) ? value : '';

const isForGood = (status: number): boolean => status === 301 || status === 308;

function nextHop(from: URL, target: string): URL {
  if (!URL.canParse(target, from.href))
    throw new FetchFailure(
      `${from.host} leads on to “${target.slice(0, 100)}”, which is no address.`,
      'Have the redirect mended.',
    );
  const url = new URL(target, from);
  if (from.protocol === 'https:' && url.protocol === 'http:')
    throw new FetchFailure(`${from.host} leads from https: to http:.`, 'Have the redirect mended.');
  return url;
}
