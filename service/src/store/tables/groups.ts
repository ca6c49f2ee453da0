/** Changes of many embeds at once, and presets. */
import { int, json, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import type { Options } from '@orbis/core';
import { ascii, id, foreignKeyId, timestamp } from './columns.ts';
import { embed } from './collection.ts';
import { created } from './people.ts';

/** Changes of many embeds at once, each kept as one so that it can be taken back. */
export const groupChange = mysqlTable('group_change', {
  id: id(),
  publicId: ascii({ length: 10 }).notNull().unique(),
  search: varchar({ length: 2000 }).notNull(),
  said: varchar({ length: 2000 }).notNull(),
  embeds: int().notNull(),
  undoneAt: timestamp(),
  ...created,
});

export const groupChangeItem = mysqlTable(
  'group_change_item',
  {
    changeId: foreignKeyId()
      .notNull()
      .references(() => groupChange.id),
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    /** Numbers of the revisions before and after. */
    from: int().notNull(),
    to: int().notNull(),
    /** The version of the embed's row afterwards: another one means that somebody changed it since. */
    version: int().notNull(),
  },
  (t) => [primaryKey({ columns: [t.changeId, t.embedId] })],
);

/** Options under a name; those that Orbis ships are in the core. */
export const preset = mysqlTable('preset', {
  id: id(),
  key: ascii({ length: 80 }).notNull().unique(),
  meaning: varchar({ length: 300 }).notNull(),
  options: json().$type<Options>().notNull(),
  version: int().notNull().default(1),
  ...created,
});
