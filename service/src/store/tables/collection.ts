/** Embeds, their sources and their revisions. */
import {
  index,
  int,
  json,
  longtext,
  mediumtext,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  smallint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import type { Options } from '@orbis/core';
import type { Found } from '@orbis/contract';
import { ascii, file, id, foreignKeyId, timestamp } from './columns.ts';
import { created, person } from './people.ts';

export const embed = mysqlTable(
  'embed',
  {
    id: id(),
    key: ascii({ length: 80 }).notNull().unique(),
    name: varchar({ length: 120 }).notNull(),
    notes: mediumtext().notNull(),
    kind: varchar({ length: 20 }).notNull(),
    provider: varchar({ length: 60 }),
    level: mysqlEnum(['error', 'warning', 'note']),
    /** Number of the newest source and the newest revision. */
    source: int().notNull(),
    revision: int().notNull(),
    retiredAt: timestamp(),
    /** When its code and its texts were taken out for good, by whom, and why. */
    purgedAt: timestamp(),
    purgedBy: foreignKeyId().references(() => person.id),
    purgeReason: varchar({ length: 500 }),
    /** How many placements of it there are that are not ended. */
    placements: int().notNull().default(0),
    /** How many bytes browsers load for it before anybody does anything, and of which revision that is. */
    weighedBytes: int({ unsigned: true }),
    weighedRevision: int(),
    /** When it was last worked out what it loads; null while that is to be done. */
    resourcesAt: timestamp(),
    /** Counts every change of the row, for lost updates. */
    version: int().notNull().default(1),
    changedAt: timestamp().notNull(),
    ...created,
  },
  (t) => [
    index('embed_kind').on(t.kind, t.id),
    index('embed_by').on(t.createdBy, t.id),
    index('embed_provider').on(t.provider, t.id),
    index('embed_resources').on(t.resourcesAt, t.placements),
    index('embed_resources_left').on(t.placements, t.resourcesAt),
  ],
);

export const embedTag = mysqlTable(
  'embed_tag',
  {
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    tag: varchar({ length: 40 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.embedId, t.tag] }), index('embed_tag_tag').on(t.tag)],
);

/** A small picture of what an embed shows, for lists. */
export const embedPicture = mysqlTable('embed_picture', {
  embedId: foreignKeyId()
    .primaryKey()
    .references(() => embed.id),
  /** The revision that it is of. */
  revision: int().notNull(),
  /** WebP. */
  data: file().notNull(),
  width: smallint({ unsigned: true }).notNull(),
  height: smallint({ unsigned: true }).notNull(),
  takenAt: timestamp().notNull(),
});

/** The hosts that an embed's code contacts, for searching. */
export const embedHost = mysqlTable(
  'embed_host',
  {
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    host: ascii({ length: 253 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.embedId, t.host] }), index('embed_host_host').on(t.host)],
);

/** What was pasted, kept for ever; `base` is what edits count in. */
export const source = mysqlTable(
  'source',
  {
    id: id(),
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    number: int().notNull(),
    pasted: longtext().notNull(),
    base: longtext().notNull(),
    /** What was found out about the link that it was made of. */
    found: json().$type<Found>(),
    /** Of `base`, to find the same code again. */
    digest: ascii({ length: 64 }).notNull(),
    ...created,
  },
  (t) => [unique('source_number').on(t.embedId, t.number), index('source_digest').on(t.digest)],
);

export const revision = mysqlTable(
  'revision',
  {
    id: id(),
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    number: int().notNull(),
    sourceId: foreignKeyId()
      .notNull()
      .references(() => source.id),
    leftOut: json().$type<number[]>().notNull(),
    options: json().$type<Options>().notNull(),
    sheetId: varchar({ length: 60 }),
    sheetDigest: ascii({ length: 64 }),
    reason: varchar({ length: 200 }).notNull(),
    ...created,
  },
  (t) => [unique('revision_number').on(t.embedId, t.number)],
);
