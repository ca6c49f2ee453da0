import { nodesBehind, type Database, type Handle } from './connect.ts';
import { isConflict, isDuplicate } from './errors.ts';
import { onAnyNode } from './on-any-node.ts';
import { onceMore } from './once-more.ts';

/**
 * Runs a transaction; one that is broken off because of another is run once more, after a pause, and one
 * whose node is lost on the next node, unless its commit was under way: nobody knows whether that was done.
 * Nothing else than the database may be changed in it.
 * @param options.duplicates whether a key that somebody else took in the meantime is a reason as well: where
 * the work chooses its keys itself.
 */
export const inTransaction = <T>(
  db: Database,
  work: (tx: Handle) => Promise<T>,
  { duplicates = false }: { duplicates?: boolean } = {},
): Promise<T> =>
  onceMore(
    () => transactOnce(db, work),
    (error) => isConflict(error) || (duplicates && isDuplicate(error)),
  );

function transactOnce<T>(db: Database, work: (tx: Handle) => Promise<T>): Promise<T> {
  let isEnding = false;
  const transact = (): Promise<T> =>
    db.transaction(async (tx) => {
      const done = await work(tx);
      isEnding = true;
      return done;
    });
  return onAnyNode(nodesBehind(db), transact, () => !isEnding);
}
