import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import { OrbisError } from '@orbis/contract';
import { decodeData } from '../../fetching/decode.ts';
import { FetchFailure } from '../../fetching/failure.ts';
import { robotsOfSite } from './robots-of-site.ts';
import type { PageCollection } from './page-collection.ts';
import type { Searching } from './searching.ts';

/* No site of people has more files; and so large may one be by the protocol, in bytes. */
const [mostFiles, largest] = [100, 50 * 1024 * 1024];

/**
 * Finds pages by the sitemaps of a site (Sitemaps protocol 0.9), also where they are packed: at an address,
 * else where its robots.txt says, else at /sitemap.xml.
 * @throws OrbisError `sitemap-missing` where none of them can be read.
 */
export async function bySitemap(
  pages: PageCollection,
  address: string | undefined,
  searching: Searching,
): Promise<void> {
  const queue = address === undefined ? await named(searching) : [address];
  const [first] = queue;
  const asked = new Set<string>();
  let failure: string | null = null;
  for (let next = queue.shift(); next !== undefined; next = queue.shift()) {
    if (asked.has(next) || asked.size >= mostFiles || pages.isFull()) continue;
    asked.add(next);
    await searching.pause();
    const found = await readOne(next, searching);
    if (found instanceof FetchFailure) {
      failure ??= found.message;
      pages.unread(next, found);
      continue;
    }
    pages.read();
    if (found.kind === 'index') queue.push(...found.addresses);
    else
      for (const page of found.addresses) {
        const path = pages.pathOf(page);
        if (path !== null) pages.add(path);
      }
    searching.tell(pages.count());
  }
  if (pages.count().read === 0)
    throw new OrbisError('sitemap-missing', { address: first ?? '', why: failure ?? '' });
}

async function named(searching: Searching): Promise<string[]> {
  const found = await searching.reader.sitemapsNamed(await robotsOfSite(searching));
  return found.length > 0 ? found : [new URL('/sitemap.xml', searching.site.address).href];
}

async function readOne(
  address: string,
  { declared, fetching, reader }: Searching,
): Promise<{ kind: 'pages' | 'index'; addresses: string[] } | FetchFailure> {
  try {
    const { body, headers } = await fetching.get(address, {
      declared,
      accept: 'application/xml, text/xml, text/plain;q=0.5',
    });
    const text = decodeData(await unpacked(body), headers.get('content-type') ?? '');
    return (await reader.sitemap(text)) ?? new FetchFailure('what is there is no sitemap.', '');
  } catch (error) {
    if (error instanceof FetchFailure) return error;
    throw error;
  }
}

/* A packed file is known by its first bytes (RFC 1952, section 2.3.1): servers call it this or that. */
async function unpacked(body: Uint8Array): Promise<Uint8Array> {
  if (body[0] !== 0x1f || body[1] !== 0x8b) return body;
  try {
    return await promisify(gunzip)(body, { maxOutputLength: largest });
  } catch {
    throw new FetchFailure('it is packed wrongly, or too large.', '');
  }
}
