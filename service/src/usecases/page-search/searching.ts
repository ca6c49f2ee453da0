import { setTimeout as wait } from 'node:timers/promises';
import type { Deps } from '../../deps.ts';
import type { SiteRow } from '../../store/places.ts';

/** What a search for pages goes by. */
export interface Searching extends Pick<Deps, 'fetching' | 'reader'> {
  site: Pick<SiteRow, 'address'>;
  /** Addresses of all sites of the owner. */
  declared: readonly string[];
  tell(progress: { read: number; found: number }): void;
  /** Lets the site breathe between two requests. @throws where whoever searched has gone. */
  pause(): Promise<void>;
}

/* Between two requests to a site, in ms. */
const between = 200;

/** A pause that does not come before the first request. */
export function pausing(signal: AbortSignal): Searching['pause'] {
  let isFirst = true;
  return async () => {
    signal.throwIfAborted();
    if (!isFirst) await wait(between, undefined, { signal });
    isFirst = false;
  };
}
