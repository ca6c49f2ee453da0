/** Work across many pages, ticked off page by page. */
import { boolean, index, int, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { created, person } from './people.ts';
import { page } from './places.ts';

export const changeList = mysqlTable('change_list', {
  id: id(),
  publicId: ascii({ length: 10 }).notNull().unique(),
  name: varchar({ length: 120 }).notNull(),
  /** The search of the register whose pages are on it. */
  search: varchar({ length: 2000 }).notNull(),
  /** How many pages are on it, and how many of them are ticked. */
  pages: int().notNull().default(0),
  ticked: int().notNull().default(0),
  ...created,
});

export const changeListPage = mysqlTable(
  'change_list_page',
  {
    id: id(),
    listId: foreignKeyId()
      .notNull()
      .references(() => changeList.id),
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id),
    tickedAt: timestamp(),
    tickedBy: foreignKeyId().references(() => person.id),
    /** Digest of what was to be done there when it was ticked. */
    work: ascii({ length: 64 }),
    /** Whether a tick was taken away, as something else is to be done there since. */
    again: boolean().notNull().default(false),
  },
  (t) => [
    unique('change_list_once').on(t.listId, t.pageId),
    index('change_list_pages').on(t.listId, t.id),
    index('change_list_open').on(t.listId, t.tickedAt, t.id),
    index('change_list_ticked').on(t.pageId, t.tickedAt),
  ],
);
