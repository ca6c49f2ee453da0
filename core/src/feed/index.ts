/** Feeds that other programs follow. */
export * from './atom-feed.ts';
