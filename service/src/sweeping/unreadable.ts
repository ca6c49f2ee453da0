import { OrbisError } from '@orbis/contract';
import { FetchFailure } from '../fetching/failure.ts';

/* What is too much for the reader could not be read. */
const tooMuch: ReadonlySet<string> = new Set(['reading-too-slow', 'reading-too-large']);

/**
 * Why a page or a file could not be read.
 * @throws the error itself where it says nothing of that.
 */
export function whyUnreadable(error: unknown): FetchFailure {
  if (error instanceof FetchFailure) return error;
  if (error instanceof OrbisError && tooMuch.has(error.code))
    return new FetchFailure(error.message, 'See what makes the page so large.');
  throw error;
}
