import { decodeData } from '../../fetching/decode.ts';
import { FetchFailure } from '../../fetching/failure.ts';
import type { RobotsFile } from '../../reading/robots-rules.ts';
import type { Searching } from './searching.ts';

/** The robots.txt of a site that is searched (RFC 9309); empty where it has none. */
export async function robotsOfSite({
  site,
  declared,
  fetching,
}: Pick<Searching, 'site' | 'declared' | 'fetching'>): Promise<RobotsFile> {
  const file = new URL('/robots.txt', site.address).href;
  try {
    const { body, headers } = await fetching.get(file, {
      declared,
      accept: 'text/plain',
      beginning: 500_000,
    });
    return { file, text: decodeData(body, headers.get('content-type') ?? '') };
  } catch (error) {
    if (error instanceof FetchFailure) return { file, text: '' };
    throw error;
  }
}
