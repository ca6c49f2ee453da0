/** Embeds in spots, and what was handed out for them. */
import { index, int, json, longtext, mysqlEnum, mysqlTable, tinyint, unique } from 'drizzle-orm/mysql-core';
import type { Piece } from '@orbis/core';
import { ascii, id, ref, when } from './columns.ts';
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
    spotId: ref()
      .notNull()
      .references(() => spot.id),
    embedId: ref()
      .notNull()
      .references(() => embed.id),
    /** What the last sweep of its page made out; that it is out of date is worked out when asked. */
    seen: mysqlEnum(seenStates).notNull().default('planned'),
    seenDelivery: int(),
    lastSeenAt: when(),
    checkedAt: when(),
    /** When its link was first handed out; until then nothing is served for it. */
    linkedAt: when(),
    findings: json().$type<StoredFinding[]>().notNull(),
    endedAt: when(),
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
    placementId: ref()
      .notNull()
      .references(() => placement.id),
    number: int().notNull(),
    revisionId: ref()
      .notNull()
      .references(() => revision.id),
    pieces: json().$type<Piece[]>().notNull(),
    text: longtext().notNull(),
    digest: ascii({ length: 64 }).notNull(),
    ...created,
  },
  (t) => [unique('delivery_number').on(t.placementId, t.number)],
);
