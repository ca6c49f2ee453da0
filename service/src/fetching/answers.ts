import { LRUCache } from 'lru-cache';
import type { OembedAnswer } from '@orbis/core';

/** Answers about links, for as long as their providers say that they hold: asking twice is asking once. */
export interface Answers {
  get(address: string): OembedAnswer | undefined;
  keep(address: string, answer: OembedAnswer): void;
}

const longest = 24 * 60 * 60;

export function createAnswers(): Answers {
  const kept = new LRUCache<string, OembedAnswer>({ max: 500 });
  return {
    get: (address) => kept.get(address),
    keep: (address, answer) => {
      if (answer.cacheAge) kept.set(address, answer, { ttl: Math.min(answer.cacheAge, longest) * 1000 });
    },
  };
}
