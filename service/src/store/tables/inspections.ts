/** Whole sites held against how they were when all was well. */
import { index, int, json, mysqlEnum, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import type { Facts, Reason } from '@orbis/core';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { placement } from './placements.ts';
import { page, site } from './places.ts';
import { job } from './sweeps.ts';

/** An inspection: its job says how far it is. */
export const inspection = mysqlTable(
  'inspection',
  {
    id: id(),
    jobId: foreignKeyId()
      .notNull()
      .unique()
      .references(() => job.id, { onDelete: 'cascade' }),
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id, { onDelete: 'cascade' }),
    /** At so many pages a browser looks. */
    looks: int().notNull(),
    /** Its sweep; null until that has begun. */
    sweepId: foreignKeyId().references(() => job.id, { onDelete: 'set null' }),
    /** When the sweep had ended, and it was known which pages are looked at. */
    readAt: timestamp(),
    /** How many placements are as they should be by its sweep. */
    well: int().notNull().default(0),
    /** How much works no longer. */
    lost: int().notNull().default(0),
  },
  (t) => [index('inspection_site').on(t.siteId, t.id)],
);

/** A page that a browser looks at. */
export const inspectionPage = mysqlTable(
  'inspection_page',
  {
    id: id(),
    inspectionId: foreignKeyId()
      .notNull()
      .references(() => inspection.id, { onDelete: 'cascade' }),
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id, { onDelete: 'cascade' }),
    state: mysqlEnum(['waiting', 'looked', 'failed']).notNull().default('waiting'),
    /** Why it could not be looked at. */
    why: varchar({ length: 300 }),
    /** The look that was taken. */
    look: ascii({ length: 10 }),
    /** Of how many placements there was no earlier look to hold it against. */
    unknown: int().notNull().default(0),
  },
  (t) => [
    unique('inspection_page_once').on(t.inspectionId, t.pageId),
    index('inspection_page_next').on(t.inspectionId, t.state, t.id),
  ],
);

/** Something that works no longer. */
export const inspectionLoss = mysqlTable(
  'inspection_loss',
  {
    id: id(),
    inspectionId: foreignKeyId()
      .notNull()
      .references(() => inspection.id, { onDelete: 'cascade' }),
    placementId: foreignKeyId()
      .notNull()
      .references(() => placement.id, { onDelete: 'cascade' }),
    rule: ascii({ length: 40 }).notNull(),
    level: mysqlEnum(['error', 'warning', 'note']).notNull(),
    facts: json().$type<Facts>().notNull(),
    /** What exactly is otherwise, piece by piece. */
    details: json().$type<Reason[]>().notNull(),
    /** Until when it was well, as far as that was seen; null where that is not known. */
    goodAt: timestamp(),
    /** The looks that were held against each other: when it was well, and now. */
    goodLook: ascii({ length: 10 }),
    look: ascii({ length: 10 }),
  },
  (t) => [index('inspection_loss_list').on(t.inspectionId, t.id)],
);
