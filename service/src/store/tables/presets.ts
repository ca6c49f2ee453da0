/** Presets. */
import { int, json, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { Options } from '@orbis/core';
import { ascii, id } from './columns.ts';
import { created } from './people.ts';

/** Options under a name; those that Orbis ships are in the core. */
export const preset = mysqlTable('preset', {
  id: id(),
  key: ascii({ length: 80 }).notNull().unique(),
  meaning: varchar({ length: 300 }).notNull(),
  options: json().$type<Options>().notNull(),
  version: int().notNull().default(1),
  ...created,
});
