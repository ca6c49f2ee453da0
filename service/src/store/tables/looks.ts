/** What browsers saw of published pages. */
import { index, json, mysqlTable } from 'drizzle-orm/mysql-core';
import type { Look } from '@orbis/contract';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { page } from './places.ts';

/** What was seen, without what is told by its row, and without sentences. */
export type StoredLook = Omit<Look, 'id' | 'at' | 'page' | 'complaints' | 'placed'> & {
  placed: Omit<Look['placed'][number], 'findings'>[];
  complaints: Omit<Look['complaints'][number], 'message'>[];
};

/** A look at a page; its pictures are files below the data folder. */
export const look = mysqlTable(
  'look',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id, { onDelete: 'cascade' }),
    takenAt: timestamp().notNull(),
    seen: json().$type<StoredLook>().notNull(),
  },
  (t) => [index('look_page').on(t.pageId, t.id)],
);
