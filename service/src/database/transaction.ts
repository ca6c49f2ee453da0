import type { Database, Handle } from './connect.ts';
import { isConflict, isDuplicate } from './errors.ts';
import { onceMore } from './once-more.ts';

/**
 * Runs a transaction; one that is broken off because of another is run once more, after a pause. Nothing else
 * than the database may be changed in it.
 * @param options.duplicates whether a key that somebody else took in the meantime is a reason as well: where
 * the work chooses its keys itself.
 */
export const inTransaction = <T>(
  db: Database,
  work: (tx: Handle) => Promise<T>,
  { duplicates = false }: { duplicates?: boolean } = {},
): Promise<T> =>
  onceMore(
    () => db.transaction(work),
    (error) => isConflict(error) || (duplicates && isDuplicate(error)),
  );
