import type { Right } from '../../rights.ts';

/** Below this address everything of version 1 answers. */
export const apiBase = '/api/v1';

/** What may be named in a call, by which it is known of which site it is. */
type Thing =
  | 'site'
  | 'page'
  | 'spot'
  | 'sharedSpot'
  | 'placement'
  | 'embed'
  | 'sweep'
  | 'look'
  | 'inspection'
  | 'finding'
  | 'change';

/** Where in a call something is named: by its key, or several by theirs. */
type Named = `${'params' | 'query' | 'body'}.${string}`;

/**
 * Where a right is needed that somebody may have on single sites only:
 *
 * - on the sites of all things that are named in such a call, of which at least one must be, unless it is
 *   allowed `otherwise`;
 * - `anywhere`, as it tells and changes nothing of a site;
 * - `narrowed`: anywhere, as it tells of nothing but what whoever asks may see.
 */
export type At = 'anywhere' | 'narrowed' | ({ [T in Thing]?: Named } & { otherwise?: 'anywhere' });

/** Where an operation answers, and what calling it takes. */
export interface Operation {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** Below {@link apiBase}, with parameters as `:name`. */
  path: string;
  /**
   * The right that it takes. `self` is about whoever calls, and takes being signed in alone; `open` not even
   * that; `probe` also answers without the database, and never asks who calls.
   */
  needs: Right | 'self' | 'open' | 'probe';
  /** Where the right is needed; for everything where nothing is said. */
  at?: At;
}
