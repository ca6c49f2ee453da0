/** What browsers saw of published pages. */
import { bigint, index, json, mysqlTable, tinyint } from 'drizzle-orm/mysql-core';
import type { Look } from '@orbis/contract';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { page, site } from './places.ts';

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
    /** The page’s site, so that lists of it come from one index. */
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id, { onDelete: 'cascade' }),
    /** 1 for the newest look at its page, else null. */
    newest: tinyint(),
    /** What came in from others than the page’s own host, in bytes. */
    foreignBytes: bigint({ mode: 'number', unsigned: true }).notNull(),
    takenAt: timestamp().notNull(),
    seen: json().$type<StoredLook>().notNull(),
  },
  (t) => [
    index('look_page').on(t.pageId, t.id),
    index('look_heaviest').on(t.newest, t.foreignBytes, t.id),
    index('look_heaviest_of_site').on(t.siteId, t.newest, t.foreignBytes, t.id),
  ],
);
