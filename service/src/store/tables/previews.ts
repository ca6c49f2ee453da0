/** Documents of the second origin. */
import { index, longtext, mysqlTable, text } from 'drizzle-orm/mysql-core';
import { ascii, timestamp } from './columns.ts';
import { created } from './people.ts';

/** Documents of the second origin, each on a host of its own for a short while. */
export const preview = mysqlTable(
  'preview',
  {
    host: ascii({ length: 32 }).primaryKey(),
    html: longtext().notNull(),
    policy: text().notNull(),
    /** What it would have kept out, and is only told of. */
    reportOnly: text(),
    expiresAt: timestamp().notNull(),
    ...created,
  },
  (t) => [index('preview_expires').on(t.expiresAt)],
);
