import type { Handle } from './connect.ts';

/**
 * A statement that is put together once for each database, and asked with other values each time: for those
 * that come with every request, putting it together takes longer than the answer.
 */
export function prepared<T>(put: (db: Handle) => T): (db: Handle) => T {
  const known = new WeakMap<Handle, T>();
  return (db) => {
    const found = known.get(db) ?? put(db);
    known.set(db, found);
    return found;
  };
}
