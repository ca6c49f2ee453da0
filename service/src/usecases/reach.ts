import { mostReached, type Reach } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { countReach, type ReachOf } from '../store/reach.ts';
import { embedByKey } from './embeds.ts';
import { siteByKey } from './places.ts';

/** What a change is of, by its key. */
export interface Reached {
  embed?: string | undefined;
  site?: string | undefined;
  provider?: string | undefined;
}

/**
 * On how many places, pages and sites a change of something shows.
 * @throws OrbisError `not-found`
 */
export async function reachOf(db: Handle, { embed, site, provider }: Reached): Promise<Reach> {
  const of: ReachOf =
    embed !== undefined
      ? { embedId: (await embedByKey(db, embed)).embed.id }
      : site !== undefined
        ? { siteId: (await siteByKey(db, site)).id }
        : { provider: provider ?? '' };
  return countReach(db, of, mostReached);
}
