import { inArray, sql, type Column, type SQL } from 'drizzle-orm';

/**
 * Whether a column of ids is one of these, which may be thousands: they stand in the statement as the whole
 * numbers that they are, as a parameter for each costs more than the search.
 */
export function isOneOf(column: Column, ids: readonly number[]): SQL {
  if (ids.length === 0) return inArray(column, []);
  if (!ids.every((id) => Number.isSafeInteger(id) && id >= 0)) throw new Error('an id is a whole number');
  return sql`${column} in (${sql.raw(ids.join(','))})`;
}
