import { OrbisError } from '@orbis/contract';
import { summarize } from '../summarize.ts';

/** The refusal to take something back that was changed since; `keys` of what was changed. */
export const changedSince = (keys: readonly string[], what: 'embed' | 'other' = 'other'): OrbisError =>
  new OrbisError(
    'changed-since',
    { count: keys.length, things: summarize(keys) },
    what === 'embed' ? keys.map((embed) => ({ embed, detail: 'It was changed since.' })) : [],
  );
