/** Which Orbis keeps this register. */
import { int, mysqlTable } from 'drizzle-orm/mysql-core';
import { ascii, timestamp } from './columns.ts';

/**
 * One row: the version that started on it last. It is read and written where the tables are brought to their
 * newest form, before anything else knows them.
 * @public
 */
export const installation = mysqlTable('installation', {
  id: int().primaryKey(),
  version: ascii({ length: 40 }).notNull(),
  since: timestamp().notNull(),
});
