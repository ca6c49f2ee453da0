import { Agent, request } from 'undici';
import { robotsAllow, type RobotsQuestion } from '../reading/robots-rules.ts';
import { isPublic, resolveHost } from './addresses.ts';
import { acceptedEncodings, limited, unpacked } from './body.ts';
import { decodePage } from './decode.ts';
import { createRobots } from './robots.ts';
import { brokenOff, failureOf, FetchFailure } from './failure.ts';

export interface FetchedPage {
  /** Where it was found in the end, after redirects. */
  url: string;
  status: number;
  text: string;
}

/** What a link leads to: headers, and the body or its beginning. */
export interface Fetched {
  /** Where it was found in the end, after redirects. */
  url: string;
  status: number;
  headers: Headers;
  body: Uint8Array;
  /** Whether there was more than was asked for. */
  cut: boolean;
}

export interface GetOptions {
  /** Addresses of the owner's own sites: they may be anywhere and have any port; nothing else private may. */
  declared: readonly string[];
  accept: string;
  /** Only pages: anything else is refused before its body is read. */
  pagesOnly?: boolean;
  /** Asks for this many bytes only (RFC 9110, section 14.2); whoever does not know ranges sends all. */
  range?: number;
  /** Stops there and keeps what has come; without it a larger body is refused. */
  beginning?: number;
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
  /** What reads a site's robots.txt, away from the service's own thread. */
  robots?: (question: RobotsQuestion) => Promise<boolean>;
}

export interface Fetching {
  /**
   * Reads a page as it is published now, past every cache. Of a site that is not declared, only what its robots.txt
   * lets programs read (RFC 9309).
   * @param declared addresses of the owner's own sites: they may be anywhere and have any port; nothing else private may.
   * @throws FetchFailure with what went wrong and what to do.
   */
  readPage(url: string, declared: readonly string[]): Promise<FetchedPage>;
  /** Asks for anything at all, by the same rules. @throws FetchFailure */
  get(url: string, options: GetOptions): Promise<Fetched>;
  /** Breaks off what is being fetched, with {@link FetchingClosed}. */
  close(): Promise<void>;
}

/** Nothing is fetched any more: Orbis is stopping. */
class FetchingClosed extends Error {
  override name = 'FetchingClosed';
}

const agentName = 'Orbis/0.1 (reads the pages of its owner)';

/** The one client by which Orbis fetches anything. The address that was checked is the address that is dialled. */
export function createFetching({
  allowPrivate,
  seconds = 15,
  bytes = 5_000_000,
  redirects = 5,
  resolve = resolveHost,
  robots: allows = (question) => Promise.resolve(robotsAllow(question)),
}: FetchingOptions): Fetching {
  const dispatcherFor = (trusted: boolean): Agent =>
    new Agent({
      keepAliveTimeout: 1000,
      maxHeaderSize: 32_768,
      connect: {
        timeout: seconds * 1000,
        lookup: (hostname, _options, done) => {
          resolve(hostname).then(
            (addresses) => {
              const refused = trusted ? undefined : addresses.find(({ address }) => !isPublic(address));
              if (refused || addresses.length === 0)
                done(
                  new FetchFailure(
                    `${hostname} is not an address of the public internet.`,
                    'Only pages of the sites that you declared may be elsewhere.',
                  ),
                  [],
                );
              else done(null, addresses);
            },
            (error: unknown) => done(error as Error, []),
          );
        },
      },
    });
  const closed = new AbortController();
  const agents = { trusted: dispatcherFor(true), strange: dispatcherFor(allowPrivate) };

  const check = (url: URL, trusted: boolean): void => {
    if (url.protocol !== 'http:' && url.protocol !== 'https:')
      throw new FetchFailure(
        `${url.protocol} addresses are not read.`,
        'Use an address with https: or http:.',
      );
    if (url.username || url.password)
      throw new FetchFailure(
        'addresses with a password in them are not read.',
        'Take the password out of the address.',
      );
    if (trusted || allowPrivate) return;
    if (url.port !== '')
      throw new FetchFailure(
        `${url.host} has a port of its own, which only declared sites may.`,
        'Declare the site with its port.',
      );
    // A numeric address is never looked up, so it is checked here.
    const literal = url.hostname.replace(/^\[|\]$/g, '');
    if (/^[\d.]+$|:/.test(literal) && !isPublic(literal))
      throw new FetchFailure(
        `${url.hostname} is not an address of the public internet.`,
        'Only pages of the sites that you declared may be elsewhere.',
      );
  };

  const get: Fetching['get'] = async (address, { declared, accept, pagesOnly = false, beginning, range }) => {
    const origins = new Set(declared.map((site) => new URL(site).origin));
    const signal = AbortSignal.any([AbortSignal.timeout(seconds * 1000), closed.signal]);
    let url = new URL(address);
    for (let hop = 0; ; hop++) {
      const trusted = origins.has(url.origin);
      try {
        check(url, trusted);
        const {
          statusCode: status,
          headers: raw,
          body,
        } = await onceMore(() =>
          request(url, {
            dispatcher: trusted ? agents.trusted : agents.strange,
            signal,
            headers: {
              'user-agent': agentName,
              accept,
              'accept-encoding': range === undefined ? acceptedEncodings : 'identity',
              'cache-control': 'no-cache',
              'pragma': 'no-cache',
              ...(range === undefined ? {} : { range: `bytes=0-${range - 1}` }),
            },
          }),
        );
        // Whoever lets go of an answer does not hear any more how it ends.
        body.on('error', () => undefined);
        const headers = headersOf(raw);
        const target = headers.get('location');
        if (status >= 300 && status < 400 && target) {
          body.destroy();
          if (hop === redirects)
            throw new FetchFailure(
              `${url.host} leads on more than ${redirects} times.`,
              'See where the page’s address leads in a browser.',
              status,
            );
          url = nextHop(url, target);
          continue;
        }
        const refuse = (failure: FetchFailure): never => {
          body.destroy();
          throw failure;
        };
        if (status < 200 || status > 299) {
          const remedy =
            status === 404
              ? 'See that the page’s path is right and that the page is published.'
              : 'See that the page opens in a browser, then check again.';
          refuse(new FetchFailure(`${url.host} answers ${status}.`, remedy, status));
        }
        const type = headers.get('content-type') ?? '';
        if (pagesOnly && !isPage(type))
          refuse(
            new FetchFailure(
              `${url.host} answers with ${type || 'no stated type'}, which is no page.`,
              'Give the address of a page.',
              status,
            ),
          );
        const { chunks, cut } = await limited(
          unpacked(body, headers.get('content-encoding'), url),
          beginning ?? bytes,
          beginning !== undefined,
          url,
        );
        return { url: url.href, status, headers, body: Buffer.concat(chunks), cut };
      } catch (error) {
        // That Orbis stops says nothing of the page.
        if (closed.signal.aborted) throw new FetchingClosed('Orbis is stopping.');
        throw failureOf(error, url, seconds);
      }
    }
  };

  const robots = createRobots(get, allows);
  return {
    close: async () => {
      closed.abort();
      await Promise.all([agents.trusted.destroy(), agents.strange.destroy()]);
    },
    get,
    readPage: async (address, declared) => {
      const own = new Set(declared.map((site) => new URL(site).origin));
      const ask = async (at: string): Promise<void> => {
        if (/^https?:/i.test(at) && !own.has(new URL(at).origin)) await robots.check(at);
      };
      await ask(address);
      const { url, status, body, headers } = await get(address, {
        declared,
        accept: 'text/html, application/xhtml+xml;q=0.9',
        pagesOnly: true,
      });
      // Where it was led to another site, that one is asked too before anything is made of its page.
      if (new URL(url).origin !== new URL(address).origin) await ask(url);
      return { url, status, text: decodePage(body, headers.get('content-type') ?? '') };
    },
  };
}

/* A server may let go of a kept connection just as it is used again: nothing of the answer has come then, and only reading is asked for. */
async function onceMore<T>(ask: () => Promise<T>): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (!brokenOff(error)) throw error;
    return ask();
  }
}

/** Whether a type is that of a page (HTML, section 2.1.1). */
export const isPage = (type: string): boolean => /^(?:text\/html|application\/xhtml\+xml)\b/i.test(type);

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

function headersOf(raw: Record<string, string | string[] | undefined>): Headers {
  const headers = new Headers();
  for (const [name, value] of Object.entries(raw))
    for (const one of Array.isArray(value) ? value : [value ?? '']) headers.append(name, one);
  return headers;
}
