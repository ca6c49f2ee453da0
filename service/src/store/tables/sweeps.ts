/** Long work, and what sweeps saw. */
import {
  foreignKey,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  smallint,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { ascii, id, foreignKeyId, timestamp } from './columns.ts';
import { created } from './people.ts';
import { placement, seenStates, type StoredFinding } from './placements.ts';
import { page } from './places.ts';

/** What a sweep can make out about a placement. */
export const sightedStates = [...seenStates, 'out-of-date', 'paused'] as const;
export type SightedState = (typeof sightedStates)[number];

/** Long work, leased to one process at a time. */
export const job = mysqlTable(
  'job',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    kind: mysqlEnum(['sweep', 'plan', 'inspection', 'copy']).notNull(),
    state: mysqlEnum(['waiting', 'running', 'paused', 'done', 'stopped', 'failed'])
      .notNull()
      .default('waiting'),
    scope: varchar({ length: 460 }),
    /** Of a sweep: the further address of the site at which it reads; null for the site’s own. */
    address: varchar({ length: 500 }),
    leaseOwner: ascii({ length: 40 }),
    leaseUntil: timestamp(),
    /** What no two jobs that have not ended may share; null once it has. */
    exclusiveKey: ascii({ length: 64 }).unique(),
    stopAsked: tinyint().notNull().default(0),
    /** How often it has failed. */
    attempts: int().notNull().default(0),
    /** When it may be taken again, by the database’s clock; null for at once. */
    runAt: timestamp(),
    /**
     * Of a sweep: how many pages it has, how many were read and how many could not be, and in which states
     * their placements were.
     */
    pages: int().notNull().default(0),
    pagesRead: int().notNull().default(0),
    pagesUnreachable: int().notNull().default(0),
    counts: json().$type<Partial<Record<SightedState, number>>>(),
    startedAt: timestamp(),
    endedAt: timestamp(),
    ...created,
  },
  (t) => [index('job_state').on(t.state, t.id), index('job_kind').on(t.kind, t.id)],
);

/** A host that sweeps read from: by one process at a time, and one request after the other. */
export const sweptHost = mysqlTable('swept_host', {
  id: id(),
  /** With its port where it has one (URL, section 4.1). */
  name: varchar({ length: 300 }).notNull().unique(),
  leaseOwner: ascii({ length: 40 }),
  leaseUntil: timestamp(),
  /** Not to be asked before, by the database’s clock; null for at once. */
  pausedUntil: timestamp(),
});

/** What a sweep still reads from a host; gone once it has. */
export const sweepLane = mysqlTable(
  'sweep_lane',
  {
    id: id(),
    jobId: foreignKeyId()
      .notNull()
      .references(() => job.id, { onDelete: 'cascade' }),
    hostId: foreignKeyId()
      .notNull()
      .references(() => sweptHost.id),
  },
  (t) => [unique('sweep_lane_once').on(t.jobId, t.hostId)],
);

export const sweepPage = mysqlTable(
  'sweep_page',
  {
    id: id(),
    jobId: foreignKeyId()
      .notNull()
      .references(() => job.id),
    pageId: foreignKeyId().notNull(),
    /** The host that it is read from; null of sweeps that ended before hosts were kept. */
    hostId: foreignKeyId(),
    /** How often its host has said that it is too busy. */
    tries: tinyint().notNull().default(0),
    state: mysqlEnum(['waiting', 'read', 'unreachable']).notNull().default('waiting'),
    status: smallint({ unsigned: true }),
    why: varchar({ length: 300 }),
    digest: ascii({ length: 64 }),
    /** What was found on the page as a whole; null for nothing. */
    findings: json().$type<StoredFinding[]>(),
    readAt: timestamp(),
    /**
     * The page of an earlier sweep that showed the same, whose sightings hold; null where something new was
     * seen. At a further address nothing is news of what is published: there it is this row itself.
     */
    sameAs: foreignKeyId(),
  },
  (t) => [
    unique('sweep_page_once').on(t.jobId, t.pageId),
    index('sweep_page_list').on(t.jobId, t.id),
    index('sweep_page_next').on(t.jobId, t.hostId, t.state, t.id),
    index('sweep_page_events').on(t.pageId, t.sameAs, t.id),
    // A page that is removed takes what sweeps saw of it along.
    foreignKey({ name: 'sweep_page_page', columns: [t.pageId], foreignColumns: [page.id] }).onDelete(
      'cascade',
    ),
  ],
);

/**
 * What is known of how a page was read last: one that is as it was need not be made out again, and what was
 * seen on it is written down only where it is something new.
 */
export const pageRead = mysqlTable('page_read', {
  pageId: foreignKeyId()
    .primaryKey()
    .references(() => page.id, { onDelete: 'cascade' }),
  /** The page of the sweep whose sightings hold. */
  shownBy: foreignKeyId().notNull(),
  /** Digest of what was seen. */
  shown: ascii({ length: 64 }).notNull(),
  /** Digest of its text; empty where it has to be made out anew each time. */
  content: ascii({ length: 64 }).notNull(),
  /** Digest of all else that what was seen rests on. */
  basis: ascii({ length: 64 }).notNull(),
  /** By which its host knows this text again (RFC 9110, section 8.8); empty where it named nothing. */
  etag: varchar({ length: 300 }).notNull(),
  /** What it said of the head of its site. */
  head: json().$type<{ digest: string; stands: boolean }[]>().notNull(),
});

export const sighting = mysqlTable(
  'sighting',
  {
    id: id(),
    sweepPageId: foreignKeyId().notNull(),
    placementId: foreignKeyId()
      .notNull()
      .references(() => placement.id),
    state: mysqlEnum(sightedStates).notNull(),
    delivery: int(),
    line: int(),
    findings: json().$type<StoredFinding[]>().notNull(),
  },
  (t) => [
    foreignKey({
      name: 'sighting_sweep_page',
      columns: [t.sweepPageId],
      foreignColumns: [sweepPage.id],
    }).onDelete('cascade'),
    index('sighting_placement').on(t.placementId, t.id),
  ],
);
