import { LRUCache } from 'lru-cache';
import robotsParser from 'robots-parser';
import { decodeBody, type Fetching } from './client.ts';
import { FetchFailure } from './failure.ts';

/** What a site lets programs read (RFC 9309): asked before a page is read that is not the owner's. */
export interface Robots {
  /** @throws FetchFailure where the site does not want this page to be read, or does not answer about it. */
  check(address: string): Promise<void>;
}

// Its types speak of a default export that the module does not have: it is the function itself.
const parse = robotsParser as unknown as (address: string, text: string) => { isAllowed(url: string, product: string): boolean | undefined };

/** The name that a site's rules are looked up by (RFC 9309, section 2.2.1). */
const product = 'Orbis';
/* For so long a file is not asked for again (section 2.4 allows a day); as much of it counts (section 2.5). */
const [kept, most] = [60 * 60 * 1000, 512_000];

export function createRobots(get: Fetching['get']): Robots {
  const files = new LRUCache<string, string>({ max: 200, ttl: kept });
  const read = async (address: string, host: string): Promise<string> => {
    const known = files.get(address);
    if (known !== undefined) return known;
    let text = '';
    try {
      const { body, headers } = await get(address, { declared: [], accept: 'text/plain, */*;q=0.1', beginning: most });
      text = decodeBody(body, headers.get('content-type') ?? '');
    } catch (error) {
      // No such file is no wish (section 2.3.1.3); a site that cannot say what it wishes is left alone (section 2.3.1.4).
      const status = error instanceof FetchFailure ? error.status : null;
      if (status === null) throw error;
      if (status >= 500) {
        throw new FetchFailure(
          `${host} does not say whether programs may read its pages (its robots.txt answers ${status}).`,
          'Declare the site if it is yours; then it is read without asking.',
        );
      }
    }
    files.set(address, text);
    return text;
  };
  return {
    check: async (address) => {
      const url = new URL(address);
      const file = new URL('/robots.txt', url).href;
      if (parse(file, await read(file, url.host)).isAllowed(url.href, product) === false)
        throw new FetchFailure(
          `${url.host} does not want programs to read this page (its robots.txt says so).`,
          'Declare the site if it is yours; then it is read without asking.',
        );
    },
  };
}
