import { setTimeout as wait } from 'node:timers/promises';
import type { Database, Handle } from './connect.ts';
import { isConflict, isDuplicate } from './errors.ts';

/* So often is it tried; the pauses grow to this many milliseconds, and chance keeps two from meeting again. */
const [attempts, longest] = [20, 250];

/**
 * Runs a transaction; one that is broken off because of another is run once more, after a pause. Nothing else than the
 * database may be changed in it.
 * @param options.duplicates whether a key that somebody else took in the meantime is a reason as well: where the work
 * chooses its keys itself.
 */
export async function inTransaction<T>(db: Database, work: (tx: Handle) => Promise<T>, { duplicates = false }: { duplicates?: boolean } = {}): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (attempt === attempts || !(isConflict(error) || (duplicates && isDuplicate(error)))) throw error;
    }
    await wait(Math.random() * Math.min(longest, 10 * 2 ** attempt));
  }
}
