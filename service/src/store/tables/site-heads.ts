/** What the pages of a site need once, and what was issued for the head of the whole site. */
import {
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  smallint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { onceKinds } from '@orbis/core';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { snippet } from './issued.ts';
import { created } from './people.ts';
import { page, site } from './places.ts';

/** What a page needs once, as it was planned last. */
export const pageNeed = mysqlTable(
  'page_need',
  {
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id),
    /** Of its text. */
    digest: ascii({ length: 64 }).notNull(),
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id),
  },
  (t) => [primaryKey({ columns: [t.pageId, t.digest] })],
);

/** What pages of a site need once, or have needed. */
export const siteNeed = mysqlTable(
  'site_need',
  {
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id),
    /** Of its text. */
    digest: ascii({ length: 64 }).notNull(),
    snippetId: foreignKeyId()
      .notNull()
      .references(() => snippet.id),
    what: mysqlEnum(onceKinds).notNull(),
    name: varchar({ length: 200 }).notNull(),
    /** The digests of what must stand before it. */
    after: json().$type<string[]>().notNull(),
    /** How many pages need it. */
    pages: int().notNull().default(0),
    /** Since when no page needs it; null where one does. */
    unneededSince: timestamp(),
    /** The last delivery for the site’s head that it was in. */
    issued: int(),
    /** Whether the page that was read last had it in its head. */
    stands: mysqlEnum(['unknown', 'yes', 'no']).notNull().default('unknown'),
    /** The page that said so, and when it first did. */
    standsOn: foreignKeyId().references(() => page.id, { onDelete: 'set null' }),
    standsSince: timestamp(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.digest] }), index('site_need_pages').on(t.siteId, t.pages)],
);

/** A numbered set of snippets for the head of a whole site, as it was handed out. */
export const headDelivery = mysqlTable(
  'head_delivery',
  {
    id: id(),
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id),
    number: int().notNull(),
    /** Of the texts of its snippets. */
    digest: ascii({ length: 64 }).notNull(),
    ...created,
  },
  (t) => [unique('head_delivery_number').on(t.siteId, t.number)],
);

/** The snippets of such a delivery, in their order. */
export const headDeliverySnippet = mysqlTable(
  'head_delivery_snippet',
  {
    deliveryId: foreignKeyId()
      .notNull()
      .references(() => headDelivery.id),
    at: smallint({ unsigned: true }).notNull(),
    snippetId: foreignKeyId()
      .notNull()
      .references(() => snippet.id),
  },
  (t) => [primaryKey({ columns: [t.deliveryId, t.at] })],
);
