import { Readable } from 'node:stream';
import type { Deps } from '../../deps.ts';
import { digest } from '../../digest.ts';
import { followNews, readNews } from '../../usecases/news.ts';
import { newsFeed } from '../../usecases/news-feed.ts';
import { siteByKey } from '../../usecases/places.ts';
import type { Handlers, Named } from '../reply.ts';

/** News of what sweeps find. */
export function newsHandlers(deps: Deps): Handlers<Named<'news'>> {
  const { db } = deps.connection;
  const siteId = async (site: string | undefined): Promise<number | undefined> =>
    site === undefined ? undefined : (await siteByKey(db, site)).id;
  return {
    'news.list': async ({ query }) => ({ data: await readNews(db, await siteId(query.site), query) }),
    'news.follow': async ({ query, lastEventId, signal }) => ({
      numbered: followNews(db, await siteId(query.site), lastEventId, signal),
    }),
    'news.feed': async ({ query, actor: { now } }) => {
      const { console: origin } = deps.origins();
      const feed = await newsFeed(query.key, { db, origin, version: deps.version, now });
      return { stream: Readable.from([feed]), etag: `"${digest(feed).slice(0, 32)}"` };
    },
  };
}
