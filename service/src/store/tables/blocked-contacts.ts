/** What documents in frames were kept from contacting. */
import { mysqlTable, primaryKey } from 'drizzle-orm/mysql-core';
import { ascii, foreignKeyId, timestamp } from './columns.ts';
import { placement } from './placements.ts';

/** Hosts that visitors’ browsers kept a document from contacting, as they say themselves. */
export const blockedContact = mysqlTable(
  'blocked_contact',
  {
    placementId: foreignKeyId()
      .notNull()
      .references(() => placement.id, { onDelete: 'cascade' }),
    host: ascii({ length: 253 }).notNull(),
    firstAt: timestamp().notNull(),
    lastAt: timestamp().notNull(),
  },
  (t) => [primaryKey({ columns: [t.placementId, t.host] })],
);
