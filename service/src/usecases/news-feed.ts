import { atomFeed, type FeedEntry } from '@orbis/core';
import { apiBase, formatRule, OrbisError, pathOf, spoken, whereFound, type NewsItem } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { feedWith, noteAsked } from '../store/channels.ts';
import { newsForFeed } from '../store/news.ts';
import type { FeedTools } from './change-feed.ts';
import { tellNews } from './news.ts';

/* So much stands in a feed. */
const mostInFeed = 50;

/**
 * The feed with this secret, as Atom (RFC 4287): for whoever has its address, and nobody else.
 * @throws OrbisError `feed-unknown`
 */
export async function newsFeed(
  secret: string,
  { db, origin, version, now }: FeedTools & { db: Handle },
): Promise<string> {
  const feed = await feedWith(db, digest(secret));
  if (!feed || feed.pausedAt !== null) throw new OrbisError('feed-unknown');
  await noteAsked(db, feed.id, now);
  const news = await tellNews(db, await newsForFeed(db, feed, mostInFeed));
  return atomFeed({
    address: `${origin}${apiBase}${pathOf('news.feed')}?key=${secret}`,
    ...{ title: spoken.news.feedTitle(feed.name), page: `${origin}/attention`, next: null },
    entries: news.map((item) => entryOf(item, origin)),
    ...{ now: now.toISOString(), generator: { name: 'Orbis', version } },
  });
}

function entryOf({ id, kind, at, finding }: NewsItem, origin: string): FeedEntry {
  const { rule, embedName, site, message, remedy, details } = finding;
  const where = whereFound(finding);
  return {
    id: `urn:orbis:news:${id}`,
    title: spoken.news.one({ kind, title: formatRule(rule), what: embedName, where }),
    summary: [message, ...details, ...(kind === 'solved' ? [] : [remedy])].join(' '),
    page: `${origin}/attention${site === null ? '' : `?site=${site}`}`,
    ...{ published: at, updated: at, author: 'Orbis', category: kind },
  };
}
