import { OrbisError } from '@orbis/contract';
import { FetchFailure } from '../../fetching/failure.ts';
import { pageUrl } from '../../serializers/places.ts';
import { robotsOfSite } from './robots-of-site.ts';
import type { PageCollection } from './page-collection.ts';
import type { Searching } from './searching.ts';

/* Files that no page is: not even asked for. */
const files =
  /\.(?:avif|css|docx?|eot|epub|gif|gz|ico|ics|jpe?g|js|json|m4a|mjs|mov|mp[34]|ogg|pdf|png|pptx?|rss|svg|tar|ttf|txt|wav|webm|webp|woff2?|xlsx?|xml|zip)$/i;

/**
 * Finds pages by where they lead, from the first page of a site: one request at a time, nearest first. Past
 * that one, what the site’s robots.txt keeps programs from is not read, and what turns out to be no page is
 * not one of them.
 * @throws OrbisError `page-unreadable` where the first page cannot be read.
 */
export async function byLinks(pages: PageCollection, searching: Searching): Promise<void> {
  const queue = [''];
  const asked = new Set(queue);
  const { site, reader } = searching;
  const robots = await robotsOfSite(searching);
  for (let path = queue.shift(); path !== undefined && !pages.isFull(); path = queue.shift()) {
    const url = pageUrl(site, { path });
    if (path !== '' && !(await reader.robots({ ...robots, url }))) continue;
    await searching.pause();
    const found = await readOne(url, searching);
    if (found instanceof FetchFailure) {
      if (path === '') throw new OrbisError('page-unreadable', { why: found.message, remedy: found.remedy });
      pages.unread(url, found);
      continue;
    }
    // Where it was led to another page, that one is meant.
    const at = pages.pathOf(found.url);
    if (path === '' && at === null)
      throw new OrbisError('page-unreadable', {
        why: `it leads to ${new URL(found.url).host}, which is no address of this site.`,
        remedy: 'Name that one among its further addresses.',
      });
    if (at === null || !pages.add(at)) continue;
    asked.add(at);
    pages.read();
    pages.titled(at, found.title);
    for (const address of found.addresses) {
      const next = pages.pathOf(address);
      if (next === null || asked.has(next) || files.test(next)) continue;
      asked.add(next);
      queue.push(next);
    }
    searching.tell(pages.count());
  }
}

async function readOne(
  address: string,
  { declared, fetching, reader }: Searching,
): Promise<{ url: string; title: string | null; addresses: string[] } | FetchFailure> {
  try {
    const { url, text } = await fetching.readPage(address, declared);
    return { url, ...(await reader.pageLinks({ html: text, address: url })) };
  } catch (error) {
    if (error instanceof FetchFailure) return error;
    throw error;
  }
}
