/** What the owner keeps of providers, and rules for all embeds. */
import {
  index,
  int,
  json,
  mediumtext,
  mysqlTable,
  primaryKey,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import type { OembedFormat, Sheet } from '@orbis/core';
import { ascii, exact, id, foreignKeyId, timestamp } from './columns.ts';
import { created } from './people.ts';

/** Rules for all embeds; what is asked nearer wins over them. */
export interface Rules {
  /** Whether parameters that only follow people are taken out. */
  dropTracking: boolean;
}

/** Provider sheets of the owner's own; those that Orbis ships are files. */
export const providerSheet = mysqlTable('provider_sheet', {
  id: id(),
  sheetId: ascii({ length: 60 }).notNull().unique(),
  /** As it was written. */
  text: mediumtext().notNull(),
  /** What it comes to. */
  sheet: json().$type<Sheet>().notNull(),
  version: int().notNull().default(1),
  changedAt: timestamp().notNull(),
  ...created,
});

/** Rules for all embeds: one row. */
export const rule = mysqlTable('rule', {
  id: tinyint().primaryKey(),
  rules: json().$type<Partial<Rules>>().notNull(),
  version: int().notNull(),
  changedAt: timestamp().notNull(),
});

/**
 * What every page was last planned with beside what is kept: the sheets that are shipped, and the
 * version of Orbis. One row.
 */
export const plannedWith = mysqlTable('planned_with', {
  id: tinyint().primaryKey(),
  digest: ascii({ length: 64 }).notNull(),
});

/** Where providers answer questions about their links, out of a list of such providers. */
export const oembedEndpoint = mysqlTable(
  'oembed_endpoint',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    provider: exact({ length: 120 }).notNull(),
    site: varchar({ length: 500 }).notNull(),
    url: exact({ length: 500 }).notNull(),
    schemes: json().$type<string[]>().notNull(),
    formats: json().$type<OembedFormat[]>().notNull(),
    ...created,
  },
  (t) => [unique('oembed_endpoint_once').on(t.provider, t.url)],
);

/** The hosts of an endpoint's links, by which it is found; `*.` before one stands for every host below it. */
export const oembedHost = mysqlTable(
  'oembed_host',
  {
    endpointId: foreignKeyId()
      .notNull()
      .references(() => oembedEndpoint.id, { onDelete: 'cascade' }),
    host: ascii({ length: 255 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.endpointId, t.host] }), index('oembed_host_name').on(t.host)],
);
