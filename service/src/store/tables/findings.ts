/** What wants attention, and what has been decided about it. */
import {
  index,
  int,
  json,
  mediumtext,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  tinyint,
  varchar,
} from 'drizzle-orm/mysql-core';
import { findingLists } from '@orbis/contract';
import type { Facts, Reason } from '@orbis/core';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { embed } from './collection.ts';
import { person } from './people.ts';
import { placement } from './placements.ts';
import { sweptHost } from './sweeps.ts';
import { page, site } from './places.ts';

/** Something that wants attention: the same on several pages is one. */
export const finding = mysqlTable(
  'finding',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    /** Digest of its rule and of what it is about: what is found again is the same finding. */
    same: ascii({ length: 64 }).notNull().unique(),
    rule: ascii({ length: 40 }).notNull(),
    /** How bad it is: 2 for an error, 1 for a warning, 0 for a note. */
    rank: tinyint().notNull(),
    /** The list that it is in: what wants doing, what waits, what is not to be told again, what is done. */
    list: mysqlEnum(findingLists).notNull().default('open'),
    /** Null where it is of no site: of what embeds load from elsewhere. */
    siteId: foreignKeyId().references(() => site.id, { onDelete: 'cascade' }),
    /** The page where it was found first; null where it is about no page. */
    pageId: foreignKeyId().references(() => page.id, { onDelete: 'set null' }),
    placementId: foreignKeyId().references(() => placement.id, { onDelete: 'set null' }),
    /** The embed that it is about, where it is about no placement. */
    embedId: foreignKeyId().references(() => embed.id, { onDelete: 'set null' }),
    /** The host that it is about; null where it is about none. */
    hostId: foreignKeyId().references(() => sweptHost.id, { onDelete: 'set null' }),
    /** At how many places it was found ({@link findingAt}). */
    times: int().notNull().default(0),
    facts: json().$type<Facts>().notNull(),
    details: json().$type<Reason[]>().notNull(),
    /** The code that it is about, where the register does not have it. */
    code: mediumtext(),
    firstSeenAt: timestamp().notNull(),
    lastSeenAt: timestamp().notNull(),
    /** When somebody has taken notice of it; null while it is new. */
    noticedAt: timestamp(),
    /** Until when it waits. */
    until: timestamp(),
    /** Why it waits, or is not to be told again; empty for nothing. */
    reason: varchar({ length: 500 }).notNull().default(''),
    /** Who decided that, and when; null where nobody did. */
    decidedAt: timestamp(),
    decidedBy: foreignKeyId().references(() => person.id),
    solvedAt: timestamp(),
  },
  (t) => [
    index('finding_list').on(t.list, t.rank, t.id),
    index('finding_site').on(t.siteId, t.list, t.rank, t.id),
    index('finding_rule').on(t.rule, t.list, t.rank, t.id),
    index('finding_site_rule').on(t.siteId, t.rule, t.list, t.rank, t.id),
    index('finding_until').on(t.list, t.until),
    index('finding_placement').on(t.placementId, t.list),
    index('finding_embed').on(t.embedId, t.list),
  ],
);

/** Where a finding was found, and has not gone since: `page:12`, `site:3`, `resource:7`. */
export const findingAt = mysqlTable(
  'finding_at',
  {
    findingId: foreignKeyId()
      .notNull()
      .references(() => finding.id, { onDelete: 'cascade' }),
    scope: ascii({ length: 40 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.findingId, t.scope] }), index('finding_at_scope').on(t.scope)],
);

/** How many findings are open: of a rule or in all (no rule), on a site or in all (site 0). */
export const findingCount = mysqlTable(
  'finding_count',
  {
    siteId: foreignKeyId().notNull(),
    rule: ascii({ length: 40 }).notNull(),
    open: int().notNull(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.rule] }), index('finding_count_rule').on(t.rule, t.open)],
);
