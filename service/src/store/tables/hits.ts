/** Where served frames were shown. */
import { date, int, mysqlTable, primaryKey } from 'drizzle-orm/mysql-core';
import { ascii, foreignKeyId } from './columns.ts';
import { placement } from './placements.ts';

/**
 * How often the document of a placement was asked for on a day, by the page that its browser named, as far as
 * it named one; nothing of who asked.
 */
export const hit = mysqlTable(
  'hit',
  {
    placementId: foreignKeyId()
      .notNull()
      .references(() => placement.id, { onDelete: 'cascade' }),
    day: date({ mode: 'string' }).notNull(),
    /** An origin, or the address of a page without what is behind its `?`; empty where none was named. */
    page: ascii({ length: 300 }).notNull(),
    times: int({ unsigned: true }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.placementId, t.day, t.page] })],
);
