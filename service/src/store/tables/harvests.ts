/** Pages that were read for the embeds on them. */
import { boolean, int, json, longtext, mysqlEnum, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import { ascii, id, foreignKeyId } from './columns.ts';
import { embed } from './collection.ts';
import { created } from './people.ts';

/** What is kept of a finding of a page. */
export interface StoredPageFinding {
  rule: string;
  level: 'error' | 'warning' | 'note';
  line: number;
  column: number;
  facts: Record<string, string | number | boolean | null>;
}

/** A whole page that was read for the embeds on it. */
export const harvest = mysqlTable('harvest', {
  id: id(),
  publicId: ascii({ length: 10 }).notNull().unique(),
  /** Where it was read, or what a page that was handed in is called. */
  address: varchar({ length: 2000 }),
  title: varchar({ length: 200 }),
  findings: json().$type<StoredPageFinding[]>().notNull(),
  ...created,
});

export const harvestItem = mysqlTable(
  'harvest_item',
  {
    id: id(),
    harvestId: foreignKeyId()
      .notNull()
      .references(() => harvest.id),
    number: int().notNull(),
    name: varchar({ length: 120 }).notNull(),
    text: longtext().notNull(),
    digest: ascii({ length: 64 }).notNull(),
    kind: varchar({ length: 20 }).notNull(),
    provider: varchar({ length: 60 }),
    hosts: json().$type<string[]>().notNull(),
    level: mysqlEnum(['error', 'warning', 'note']),
    heading: varchar({ length: 200 }),
    line: int().notNull(),
    column: int().notNull(),
    /** Whether it shows a file or page of the site's own. */
    isOwn: boolean().notNull().default(false),
    /** How many others of the page are filled by the same script. */
    sharesWith: int().notNull().default(0),
    /** The embed that its mark names: it was in the register before. */
    markedEmbedId: foreignKeyId().references(() => embed.id),
    /** The embed that it was taken as. */
    takenEmbedId: foreignKeyId().references(() => embed.id),
  },
  (t) => [unique('harvest_item_number').on(t.harvestId, t.number)],
);
