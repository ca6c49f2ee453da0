import { LRUCache } from 'lru-cache';
import type { Fetching } from '../fetching/client.ts';

type ReadsPages = Pick<Fetching, 'readPage'>;

/* A sweep meets few at a time, and each may be large. */
const mostKept = 8;

/**
 * Reads each file once a sweep, by the sweep’s row: what is in a block shows the same one on every page, and
 * all of them say the same of it.
 */
export function filesOnce(fetching: ReadsPages): (sweep: number) => ReadsPages {
  const read = new LRUCache<string, ReturnType<ReadsPages['readPage']>>({ max: mostKept });
  return (sweep) => ({
    readPage: (address, ...rest) => {
      const key = `${sweep} ${address}`;
      const known = read.get(key);
      if (known) return known;
      const asked = fetching.readPage(address, ...rest);
      read.set(key, asked);
      return asked;
    },
  });
}
