import { OrbisError, type Problem } from '@orbis/contract';
import type { Logger } from 'pino';
import { problemOf } from './problems.ts';
import { progressOf } from './progress.ts';

/** What telling how far work is takes. */
export interface TellingOptions {
  log: Logger;
  request: string;
  /** Ends with whoever listens. */
  signal: AbortSignal;
  /** What the log says where it fails by nobody’s fault. */
  failed: string;
}

/** What some work tells while it goes on, and at last what came of it, or the problem that ended it. */
export const telling = <T>(
  { log, request, signal, failed }: TellingOptions,
  work: (tell: (event: T) => void) => Promise<T>,
): AsyncGenerator<T | { problem: Problem }> =>
  progressOf<T | { problem: Problem }>(async (tell) => {
    try {
      return await work(tell);
    } catch (error) {
      const isOurs = error instanceof OrbisError;
      if (!isOurs && !signal.aborted) log.error({ err: error, request }, failed);
      return {
        problem: problemOf(
          isOurs ? error : new OrbisError('internal', { request }),
          `urn:request:${request}`,
        ),
      };
    }
  });
