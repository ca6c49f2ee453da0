/** Embeds in spots, and what was handed out for them. */
import { index, int, json, longtext, mysqlEnum, mysqlTable, tinyint, unique } from 'drizzle-orm/mysql-core';
import type { Options, Snippet } from '@orbis/core';
import { ascii, id, foreignKeyId, timestamp } from './columns.ts';
import { embed, revision } from './collection.ts';
import { created } from './people.ts';
import { spot } from './places.ts';

/** What is kept of a finding: its sentence is made when it is told. */
export interface StoredFinding {
  rule: string;
  level: 'error' | 'warning' | 'note';
  facts: Record<string, string | number | null>;
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
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    /** What the last sweep of its page made out; that it is out of date is worked out when asked. */
    seen: mysqlEnum(seenStates).notNull().default('planned'),
    seenDelivery: int(),
    lastSeenAt: timestamp(),
    checkedAt: timestamp(),
    /** When its link was first handed out; until then nothing is served for it. */
    linkedAt: timestamp(),
    findings: json().$type<StoredFinding[]>().notNull(),
    /** What is asked of it at this place only. */
    options: json().$type<Options>().notNull(),
    /** Counts every change of these, for lost updates. */
    version: int().notNull().default(1),
    endedAt: timestamp(),
    /** 1 until it is ended, then null: an embed is in a spot once at a time. */
    active: tinyint().default(1),
    ...created,
  },
  (t) => [
    unique('placement_once').on(t.spotId, t.embedId, t.active),
    index('placement_embed').on(t.embedId, t.id),
    index('placement_active').on(t.active, t.id),
    index('placement_seen').on(t.active, t.seen, t.id),
  ],
);

export const delivery = mysqlTable(
  'delivery',
  {
    id: id(),
    placementId: foreignKeyId()
      .notNull()
      .references(() => placement.id),
    number: int().notNull(),
    revisionId: foreignKeyId()
      .notNull()
      .references(() => revision.id),
    /** What was asked of it at this place only, when it was handed out. */
    options: json().$type<Options>().notNull(),
    snippets: json().$type<Snippet[]>().notNull(),
    text: longtext().notNull(),
    digest: ascii({ length: 64 }).notNull(),
    ...created,
  },
  (t) => [unique('delivery_number').on(t.placementId, t.number)],
);
