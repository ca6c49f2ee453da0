import { sql } from 'drizzle-orm';
import {
  bigint,
  customType,
  datetime,
  foreignKey,
  index,
  int,
  json,
  longtext,
  mediumtext,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  smallint,
  text,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import type { Dress, Piece, Settings, Sheet } from '@orbis/core';
import type { Found } from '@orbis/contract';
import type { Rules } from '../work/making.ts';

/** Keys, ids and digests: compared byte for byte. */
const ascii = customType<{ data: string; config: { length: number }; configRequired: true }>({
  dataType: ({ length }) => `varchar(${length}) character set ascii collate ascii_bin`,
});
/** Paths: case and accents count. */
const exact = customType<{ data: string; config: { length: number }; configRequired: true }>({
  dataType: ({ length }) => `varchar(${length}) character set utf8mb4 collate utf8mb4_bin`,
});
const id = () => bigint({ mode: 'number', unsigned: true }).autoincrement().primaryKey();
const ref = () => bigint({ mode: 'number', unsigned: true });
const when = () => datetime({ fsp: 3, mode: 'date' });
const created = { createdAt: when().notNull(), createdBy: ref().references(() => person.id) };

export const person = mysqlTable('person', {
  id: id(),
  name: varchar({ length: 80 }).notNull(),
  /** argon2id, in the PHC string format; null until the owner has set one. */
  passwordHash: varchar({ length: 255 }),
  createdAt: when().notNull(),
});

export const session = mysqlTable('session', {
  hash: ascii({ length: 64 }).primaryKey(),
  personId: ref()
    .notNull()
    .references(() => person.id),
  createdAt: when().notNull(),
  expiresAt: when().notNull(),
});

export const token = mysqlTable('token', {
  id: id(),
  publicId: ascii({ length: 10 }).notNull().unique(),
  personId: ref()
    .notNull()
    .references(() => person.id),
  name: varchar({ length: 80 }).notNull(),
  hash: ascii({ length: 64 }).notNull().unique(),
  createdAt: when().notNull(),
  lastUsedAt: when(),
  revokedAt: when(),
});

/** One-time links: to set a password, or to sign in. */
export const link = mysqlTable('link', {
  hash: ascii({ length: 64 }).primaryKey(),
  personId: ref()
    .notNull()
    .references(() => person.id),
  purpose: mysqlEnum(['password', 'sign-in']).notNull(),
  createdAt: when().notNull(),
  expiresAt: when().notNull(),
  usedAt: when(),
});

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
    retiredAt: when(),
    /** Counts every change of the row, for lost updates. */
    version: int().notNull().default(1),
    changedAt: when().notNull(),
    ...created,
  },
  (t) => [index('embed_kind').on(t.kind, t.id)],
);

export const embedTag = mysqlTable(
  'embed_tag',
  {
    embedId: ref()
      .notNull()
      .references(() => embed.id),
    tag: varchar({ length: 40 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.embedId, t.tag] }), index('embed_tag_tag').on(t.tag)],
);

/** The hosts that an embed's code contacts, for searching. */
export const embedHost = mysqlTable(
  'embed_host',
  {
    embedId: ref()
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
    embedId: ref()
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
    embedId: ref()
      .notNull()
      .references(() => embed.id),
    number: int().notNull(),
    sourceId: ref()
      .notNull()
      .references(() => source.id),
    leftOut: json().$type<number[]>().notNull(),
    settings: json().$type<Settings>().notNull(),
    dress: json().$type<Dress>().notNull(),
    isolation: json().$type<Record<string, never>>().notNull(),
    sheetId: varchar({ length: 60 }),
    sheetDigest: ascii({ length: 64 }),
    reason: varchar({ length: 200 }).notNull(),
    ...created,
  },
  (t) => [unique('revision_number').on(t.embedId, t.number)],
);

/** Provider sheets of the owner's own; those that Orbis ships are files. */
export const providerSheet = mysqlTable('provider_sheet', {
  id: id(),
  sheetId: ascii({ length: 60 }).notNull().unique(),
  /** As it was written. */
  text: mediumtext().notNull(),
  /** What it comes to. */
  sheet: json().$type<Sheet>().notNull(),
  version: int().notNull().default(1),
  changedAt: when().notNull(),
  ...created,
});

/** Rules for all embeds: one row. */
export const rule = mysqlTable('rule', {
  id: tinyint().primaryKey(),
  rules: json().$type<Partial<Rules>>().notNull(),
  version: int().notNull(),
  changedAt: when().notNull(),
});

export const site = mysqlTable('site', {
  id: id(),
  key: ascii({ length: 60 }).notNull().unique(),
  name: varchar({ length: 120 }).notNull(),
  address: varchar({ length: 500 }).notNull(),
  version: int().notNull().default(1),
  ...created,
});

export const page = mysqlTable(
  'page',
  {
    id: id(),
    siteId: ref()
      .notNull()
      .references(() => site.id),
    path: exact({ length: 340 }).notNull(),
    title: varchar({ length: 200 }).notNull(),
    checkedAt: when(),
    ...created,
  },
  (t) => [unique('page_path').on(t.siteId, t.path)],
);

export const spot = mysqlTable(
  'spot',
  {
    id: id(),
    pageId: ref()
      .notNull()
      .references(() => page.id),
    name: ascii({ length: 60 }).notNull(),
    phone: smallint({ unsigned: true }).notNull(),
    tablet: smallint({ unsigned: true }).notNull(),
    desktop: smallint({ unsigned: true }).notNull(),
    version: int().notNull().default(1),
    ...created,
  },
  (t) => [unique('spot_name').on(t.pageId, t.name)],
);

export interface StoredFinding {
  rule: string;
  level: 'error' | 'warning' | 'note';
  facts: Record<string, string | number | null>;
}
export interface StoredPageFinding {
  rule: string;
  level: 'error' | 'warning' | 'note';
  line: number;
  column: number;
  facts: Record<string, string | number | boolean | null>;
}
const seenStates = ['planned', 'live', 'altered', 'missing', 'unreachable'] as const;

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
    findings: json().$type<StoredFinding[]>().notNull(),
    endedAt: when(),
    /** 1 until it is ended, then null: an embed is in a spot once at a time. */
    active: tinyint().default(1),
    ...created,
  },
  (t) => [unique('placement_once').on(t.spotId, t.embedId, t.active), index('placement_embed').on(t.embedId, t.id)],
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

/** Long work, leased to one process at a time. */
export const job = mysqlTable(
  'job',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    kind: mysqlEnum(['sweep']).notNull(),
    state: mysqlEnum(['waiting', 'running', 'done', 'stopped', 'failed']).notNull().default('waiting'),
    scope: varchar({ length: 460 }),
    leaseOwner: ascii({ length: 40 }),
    leaseUntil: when(),
    stopAsked: tinyint().notNull().default(0),
    startedAt: when(),
    endedAt: when(),
    ...created,
  },
  (t) => [index('job_state').on(t.state, t.id)],
);

export const sweepPage = mysqlTable(
  'sweep_page',
  {
    id: id(),
    jobId: ref()
      .notNull()
      .references(() => job.id),
    pageId: ref().notNull(),
    state: mysqlEnum(['waiting', 'read', 'unreachable']).notNull().default('waiting'),
    status: smallint({ unsigned: true }),
    why: varchar({ length: 300 }),
    digest: ascii({ length: 64 }),
    readAt: when(),
  },
  (t) => [
    unique('sweep_page_once').on(t.jobId, t.pageId),
    // A page that is removed takes what sweeps saw of it along.
    foreignKey({ name: 'sweep_page_page', columns: [t.pageId], foreignColumns: [page.id] }).onDelete('cascade'),
  ],
);

export const sighting = mysqlTable(
  'sighting',
  {
    id: id(),
    sweepPageId: ref().notNull(),
    placementId: ref()
      .notNull()
      .references(() => placement.id),
    state: mysqlEnum([...seenStates, 'out-of-date']).notNull(),
    delivery: int(),
    line: int(),
    findings: json().$type<StoredFinding[]>().notNull(),
  },
  (t) => [
    foreignKey({ name: 'sighting_sweep_page', columns: [t.sweepPageId], foreignColumns: [sweepPage.id] }).onDelete('cascade'),
    index('sighting_placement').on(t.placementId, t.id),
  ],
);

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
    harvestId: ref()
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
    /** The embed that its mark names: it was in the register before. */
    markedEmbedId: ref().references(() => embed.id),
    /** The embed that it was taken as. */
    takenEmbedId: ref().references(() => embed.id),
  },
  (t) => [unique('harvest_item_number').on(t.harvestId, t.number)],
);

/** Documents of the second origin, each on a host of its own for a short while. */
export const preview = mysqlTable(
  'preview',
  { host: ascii({ length: 32 }).primaryKey(), html: longtext().notNull(), policy: text().notNull(), expiresAt: when().notNull(), ...created },
  (t) => [index('preview_expires').on(t.expiresAt)],
);

/** The time as the database's clock has it: what leases are measured by. */
export const databaseNow = sql`UTC_TIMESTAMP(3)`;

/** Changes of many embeds at once, each kept as one so that it can be taken back. */
export const groupChange = mysqlTable('group_change', {
  id: id(),
  publicId: ascii({ length: 10 }).notNull().unique(),
  search: varchar({ length: 2000 }).notNull(),
  said: varchar({ length: 2000 }).notNull(),
  embeds: int().notNull(),
  undoneAt: when(),
  ...created,
});

export const groupChangeItem = mysqlTable(
  'group_change_item',
  {
    changeId: ref()
      .notNull()
      .references(() => groupChange.id),
    embedId: ref()
      .notNull()
      .references(() => embed.id),
    /** Numbers of the revisions before and after. */
    from: int().notNull(),
    to: int().notNull(),
    /** The version of the embed's row afterwards: another one means that somebody changed it since. */
    version: int().notNull(),
  },
  (t) => [primaryKey({ columns: [t.changeId, t.embedId] })],
);

/** Settings and dress under a name; those that Orbis ships are in the core. */
export const preset = mysqlTable('preset', {
  id: id(),
  key: ascii({ length: 80 }).notNull().unique(),
  meaning: varchar({ length: 300 }).notNull(),
  settings: json().$type<Settings>().notNull(),
  dress: json().$type<Dress>().notNull(),
  version: int().notNull().default(1),
  ...created,
});
