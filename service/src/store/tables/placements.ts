/** Embeds in spots, and how they stand there. */
import {
  foreignKey,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import type { Options, Reason } from '@orbis/core';
import { ascii, id, foreignKeyId, timestamp } from './columns.ts';
import { embed } from './collection.ts';
import { created } from './people.ts';
import { page, site, spot } from './places.ts';

/** What is kept of a finding: its sentence is made when it is told. */
export interface StoredFinding {
  rule: string;
  level: 'error' | 'warning' | 'note';
  facts: Record<string, string | number | boolean | null>;
  /** What of it is otherwise than it should be, piece by piece. */
  details?: Reason[];
}

export const seenStates = ['planned', 'live', 'altered', 'missing', 'unreachable'] as const;

export const placement = mysqlTable(
  'placement',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    spotId: foreignKeyId()
      .notNull()
      .references(() => spot.id),
    /** The spot’s page and its site, so that lists of either come from one index. */
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id),
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id),
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    /** What the last sweep of its page made out; that it is out of date is worked out when asked. */
    seen: mysqlEnum(seenStates).notNull().default('planned'),
    seenDelivery: int(),
    /**
     * Digest of the code that its page was seen with, without its mark; null where it was
     * not, or shows its document.
     */
    carried: ascii({ length: 64 }),
    /**
     * Digest of the code that would be handed out now, without its mark; null until
     * its page was first planned.
     */
    wanted: ascii({ length: 64 }),
    /**
     * Since when it is in its state; null where that is not known. It stands before that, as MariaDB sets the
     * columns one after another, and this one looks at the state as it was.
     */
    stateSince: timestamp(),
    /** What was seen, and whether that is what is wanted. */
    state: mysqlEnum([...seenStates, 'out-of-date', 'paused'])
      .notNull()
      .default('planned'),
    /**
     * Whether something changed since its page was planned; a page that could not be planned
     * waits for the next change.
     */
    stale: mysqlEnum(['no', 'yes', 'failed']).notNull().default('yes'),
    /** Counts those changes: a plan of what was before one of them is not written down. */
    inputs: int().notNull().default(0),
    /** The number of its last delivery. */
    issued: int(),
    lastSeenAt: timestamp(),
    checkedAt: timestamp(),
    /** When its link was first handed out; until then nothing is served for it. */
    linkedAt: timestamp(),
    findings: json().$type<StoredFinding[]>().notNull(),
    /** What is asked of it at this place only. */
    options: json().$type<Options>().notNull(),
    /** What its owner wants to remember about it here; empty for nothing. */
    note: varchar({ length: 2000 }).notNull().default(''),
    /** Since when nothing of it is to stand there for a while. */
    pausedAt: timestamp(),
    /** Counts every change of these, for lost updates. */
    version: int().notNull().default(1),
    endedAt: timestamp(),
    /** The change that ended it with its page or site, or with others; null where it was ended by itself. */
    endedWith: int(),
    /** 1 until it is ended, then null: an embed is in a spot once at a time. */
    active: tinyint().default(1),
    ...created,
  },
  (t) => [
    unique('placement_once').on(t.spotId, t.embedId, t.active),
    index('placement_list').on(t.active, t.id),
    index('placement_state').on(t.active, t.state, t.id),
    index('placement_embed_list').on(t.embedId, t.active, t.id),
    index('placement_embed_state').on(t.embedId, t.active, t.state, t.id),
    index('placement_page').on(t.pageId, t.active, t.id),
    index('placement_page_state').on(t.pageId, t.active, t.state, t.id),
    index('placement_site').on(t.siteId, t.active, t.id),
    index('placement_site_state').on(t.siteId, t.active, t.state, t.id),
    index('placement_site_embed').on(t.siteId, t.embedId),
    index('placement_embed_site').on(t.embedId, t.active, t.siteId),
    index('placement_stale').on(t.stale, t.pageId),
  ],
);

/** How the pages that show a block were last seen with what is placed in it. */
export const blockPage = mysqlTable(
  'block_page',
  {
    placementId: foreignKeyId().notNull(),
    pageId: foreignKeyId().notNull(),
    seen: mysqlEnum(seenStates).notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.placementId, t.pageId] }),
    index('block_page_seen').on(t.placementId, t.seen, t.pageId),
    foreignKey({
      name: 'block_page_placement',
      columns: [t.placementId],
      foreignColumns: [placement.id],
    }).onDelete('cascade'),
    // A page that is removed shows nothing any more.
    foreignKey({ name: 'block_page_page', columns: [t.pageId], foreignColumns: [page.id] }).onDelete(
      'cascade',
    ),
  ],
);
