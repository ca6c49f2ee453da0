/* What the driver threw, out of what the query builder made of it. */
const causeOf = (error: unknown): unknown =>
  error instanceof Error && error.cause !== undefined ? error.cause : error;

/**
 * The driver's or the server's name for what went wrong, such as `ER_DUP_ENTRY`; null where
 * it is no error of either.
 */
export function codeOf(error: unknown): string | null {
  const cause = causeOf(error);
  return typeof cause === 'object' && cause !== null && 'code' in cause && typeof cause.code === 'string'
    ? cause.code
    : null;
}

/** The server's number for what went wrong, or null. */
export function numberOf(error: unknown): number | null {
  const cause = causeOf(error);
  return typeof cause === 'object' && cause !== null && 'errno' in cause && typeof cause.errno === 'number'
    ? cause.errno
    : null;
}

/** Whether an error says that a unique key is taken. */
export const isDuplicate = (error: unknown): boolean => codeOf(error) === 'ER_DUP_ENTRY';

/* MariaDB's numbers: a deadlock, waited too long for a lock, changed since it was read, and two that insert
   at once after a restart. */
const conflicts = new Set([1213, 1205, 1020, 1467]);

/** Whether a transaction was broken off because of another one: the same once more may do. */
export const isConflict = (error: unknown): boolean => conflicts.has(numberOf(error) ?? 0);

/* Of the driver, for connections that cannot be made or were lost. */
const lost = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOENT',
  'EACCES',
  'ENOTFOUND',
  'EAI_AGAIN',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
]);
/* MariaDB's: it stops, has too many connections, ended this one, or is a node of a cluster that is not
   ready. */
const refusing = new Set([1053, 1040, 1927, 1047]);

/** The database does not answer: it is down, comes up, or cannot be reached. */
export class DatabaseAway extends Error {
  override name = 'DatabaseAway';
}

/** Whether an error says that the database is not there at the moment. */
export function isAway(error: unknown): boolean {
  const cause = causeOf(error);
  if (error instanceof DatabaseAway || cause instanceof DatabaseAway) return true;
  if (typeof cause !== 'object' || cause === null) return false;
  // Files and foreign hosts that are not there have such codes as well; the driver marks what ends a
  // connection. What is asked on a connection that has been closed comes without a code.
  return (
    isClosed(error) ||
    ('fatal' in cause && cause.fatal === true && lost.has(codeOf(error) ?? '')) ||
    ('sqlState' in cause && refusing.has(numberOf(error) ?? 0))
  );
}

/** Whether an error says that something was asked on a connection that had been closed. */
export function isClosed(error: unknown): boolean {
  const cause = causeOf(error);
  const isFatal = typeof cause === 'object' && cause !== null && 'fatal' in cause && cause.fatal === true;
  return isFatal && codeOf(error) === null;
}

/**
 * Whether an error says that a statement was not done, for certain: it was never sent, or a node of a cluster
 * refused it, as it is not ready (1047).
 */
export const isNotDone = (error: unknown): boolean => isClosed(error) || numberOf(error) === 1047;

/* The time of a statement is over (1969), or somebody ended it (1317). */
const ended = new Set([1969, 1317]);

/** Whether the server broke a query off because it took too long, or because nobody waits for it any more. */
export const isTooSlow = (error: unknown): boolean => ended.has(numberOf(error) ?? 0);
