/** Searches that are kept. */
import { int, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { id } from './columns.ts';
import { created } from './people.ts';

/** A search of the register under a name. */
export const savedSearch = mysqlTable('saved_search', {
  id: id(),
  name: varchar({ length: 60 }).notNull().unique(),
  where: varchar({ length: 2000 }).notNull(),
  version: int().notNull().default(1),
  ...created,
});
