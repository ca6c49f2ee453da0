/** Sites of which something changed that holds for all of their pages, as long as not all are marked. */
import { bigint, mysqlTable } from 'drizzle-orm/mysql-core';
import { foreignKeyId } from './columns.ts';
import { site } from './places.ts';

export const siteMarking = mysqlTable('site_marking', {
  siteId: foreignKeyId()
    .primaryKey()
    .references(() => site.id, { onDelete: 'cascade' }),
  /** The last placement that is marked: those behind it are to be. */
  upTo: bigint({ mode: 'number', unsigned: true }).notNull().default(0),
});
