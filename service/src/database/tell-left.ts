import type { Logger } from 'pino';
import type { TellLeft } from './nodes.ts';

/** Writes into the log that a host of the database was left for another one. */
export const tellLeftIn =
  (log: Logger): TellLeft =>
  (left, next) =>
    log.warn({ left, next }, 'a host of the database does not answer: the next one is used');
