/** Sites, pages and spots. */
import {
  boolean,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  smallint,
  text,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import {
  blockStands,
  openEditor,
  type EditorRules,
  type KindDefaults,
  type PastedLanguage,
  type PieceSeen,
  type SpotHeights,
} from '@orbis/core';
import type { Schedule } from '@orbis/contract';
import { ascii, exact, id, foreignKeyId, timestamp } from './columns.ts';
import { created } from './people.ts';

export const site = mysqlTable(
  'site',
  {
    id: id(),
    key: ascii({ length: 60 }).notNull().unique(),
    name: varchar({ length: 120 }).notNull(),
    address: varchar({ length: 500 }).notNull(),
    /** Where it is to be seen as well: with and without www, a preview. */
    furtherAddresses: json().$type<string[]>().notNull().default([]),
    /** What is asked of every embed on it, by what kind the embed is of. */
    defaults: json().$type<KindDefaults>().notNull(),
    /** Whether the site has a way into the heads of its pages. */
    head: boolean().notNull().default(false),
    /** Digests of the texts that its owner wants once in the head of the whole site. */
    headKept: json().$type<string[]>().notNull().default([]),
    /** The language of its pages (BCP 47, the language alone). */
    language: ascii({ length: 8 }).$type<PastedLanguage>().notNull().default('en'),
    /** Its colours, as `#rrggbb`. */
    colours: json().$type<string[]>().notNull().default([]),
    /** Its style for what is in its frames (CSS); empty where it has none. */
    frameStyle: text().notNull().default(''),
    /** What its editor lets through. */
    editor: json().$type<EditorRules>().notNull().default(openEditor),
    /** Whether a page on which something is not seen is read with a browser as well. */
    rendered: boolean().notNull().default(false),
    /** When its pages are read by themselves; null for never. */
    schedule: json().$type<Schedule>(),
    /** When they are the next time. */
    nextSweepAt: timestamp(),
    /** Since when it is no site of the owner’s any more, though the register keeps what was on it. */
    goneAt: timestamp(),
    /** How many pages it has. */
    pages: int().notNull().default(0),
    version: int().notNull().default(1),
    ...created,
  },
  (t) => [index('site_due').on(t.nextSweepAt)],
);

/** What the specimen showed of a site’s editor when it was last read. */
export const specimenSeen = mysqlTable('specimen_seen', {
  siteId: foreignKeyId()
    .primaryKey()
    .references(() => site.id),
  /** The address of the page that was read. */
  page: varchar({ length: 1000 }).notNull(),
  seen: json().$type<PieceSeen[]>().notNull(),
  at: timestamp().notNull(),
});

export const page = mysqlTable(
  'page',
  {
    id: id(),
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id),
    path: exact({ length: 340 }).notNull(),
    title: varchar({ length: 200 }).notNull(),
    /** Of a block, where on its pages it stands; null for a page. */
    stands: mysqlEnum(blockStands),
    /** Of a block, how the paths of the pages begin that show it; null for those on which it is seen. */
    under: exact({ length: 340 }),
    checkedAt: timestamp(),
    /** Since when there is no such page any more, though the register keeps what was placed on it. */
    goneAt: timestamp(),
    /** The change that removed it along with its site; null where it was removed by itself. */
    goneWith: int(),
    version: int().notNull().default(1),
    ...created,
  },
  (t) => [
    unique('page_path').on(t.siteId, t.path),
    index('page_list').on(t.goneAt, t.id),
    index('page_site').on(t.siteId, t.goneAt, t.id),
  ],
);

/* How large a spot is, and where on its page. */
const spotSize = () => ({
  phone: smallint({ unsigned: true }).notNull(),
  tablet: smallint({ unsigned: true }).notNull(),
  desktop: smallint({ unsigned: true }).notNull(),
  /** How high it is at most, on the devices where that is said. */
  heights: json().$type<SpotHeights>().notNull().default({}),
  /** The element that it is in, as a CSS selector; null where nobody said it. */
  selector: varchar({ length: 300 }),
});

export const spot = mysqlTable(
  'spot',
  {
    id: id(),
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id),
    name: ascii({ length: 60 }).notNull(),
    ...spotSize(),
    /** Whether it is as the site’s shared spot of this name says, as long as there is one. */
    shared: boolean().notNull().default(false),
    /** How many placements there are in it that are not ended. */
    placements: int().notNull().default(0),
    /** Since when there is no such spot any more, though the register keeps what was placed in it. */
    goneAt: timestamp(),
    version: int().notNull().default(1),
    ...created,
  },
  (t) => [unique('spot_name').on(t.pageId, t.name)],
);

/** Spots that many pages of a site have; a page has a row for one once something is placed there. */
export const sharedSpot = mysqlTable(
  'shared_spot',
  {
    id: id(),
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id),
    name: ascii({ length: 60 }).notNull(),
    /** How the paths of the pages begin that have it. */
    under: exact({ length: 340 }).notNull(),
    ...spotSize(),
    version: int().notNull().default(1),
    ...created,
  },
  (t) => [unique('shared_spot_name').on(t.siteId, t.name), index('shared_spot_list').on(t.siteId, t.id)],
);
