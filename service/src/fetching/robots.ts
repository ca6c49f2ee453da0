import { LRUCache } from 'lru-cache';
import type { RobotsQuestion } from '../reading/robots-rules.ts';
import { decodeData } from './decode.ts';
import { FetchFailure } from './failure.ts';

/** What a site lets programs read (RFC 9309): asked before a page is read that is not the owner's. */
export interface Robots {
  /** @throws FetchFailure where the site does not want this page to be read, or does not answer about it. */
  check(address: string): Promise<void>;
}

/* For so long a file is not asked for again (section 2.4 allows a day); as much of it counts (section
   2.5). */
const [kept, most] = [60 * 60 * 1000, 512_000];

/* Asks for the beginning of a file. */
type Get = (
  address: string,
  options: { declared: readonly string[]; accept: string; beginning: number },
) => Promise<{ body: Uint8Array; headers: Headers }>;

export function createRobots(get: Get, allows: (question: RobotsQuestion) => Promise<boolean>): Robots {
  const files = new LRUCache<string, string>({ max: 200, ttl: kept });
  const read = async (address: string, host: string): Promise<string> => {
    const known = files.get(address);
    if (known !== undefined) return known;
    let text = '';
    try {
      const { body, headers } = await get(address, {
        declared: [],
        accept: 'text/plain, */*;q=0.1',
        beginning: most,
      });
      text = decodeData(body, headers.get('content-type') ?? '');
    } catch (error) {
      // No such file forbids nothing (section 2.3.1.3); a site that cannot say what it wants is left alone
      // (section 2.3.1.4).
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
      if (!(await allows({ file, text: await read(file, url.host), url: url.href })))
        throw new FetchFailure(
          `${url.host} does not want programs to read this page (its robots.txt says so).`,
          'Declare the site if it is yours; then it is read without asking.',
        );
    },
  };
}
