import { formatChange, OrbisError, spoken } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { lastChangeOf, type LastChange } from '../store/last-change.ts';

/**
 * An error with which a change is refused because somebody was faster, with who that was and what they did,
 * where that is known; any other error as it is.
 */
export async function withWhoChanged(error: unknown, params: unknown, db: Handle): Promise<unknown> {
  if (!(error instanceof OrbisError) || error.code !== 'if-match-stale') return error;
  const last = await lastChangeOf(db, params as Record<string, string>);
  if (!last) return error;
  return new OrbisError(
    error.code,
    { ...error.facts, by: last.by, said: saidOf(last), at: last.at.toISOString() },
    error.errors,
  );
}

const saidOf = ({ facts, isUndone }: LastChange): string =>
  isUndone ? spoken.feed.undone(formatChange(facts)) : formatChange(facts);
