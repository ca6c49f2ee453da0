/** What is done of the plans of pages, and links for whoever does it. */
import { index, int, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { created, person } from './people.ts';
import { page } from './places.ts';

export const planLink = mysqlTable(
  'plan_link',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id),
    /** Whom it is for. */
    name: varchar({ length: 80 }).notNull(),
    hash: ascii({ length: 64 }).notNull().unique(),
    expiresAt: timestamp().notNull(),
    ...created,
  },
  (t) => [index('plan_link_page').on(t.pageId, t.id)],
);

/** Pages that are read by themselves, as somebody said that something was done there. */
export const pageCheck = mysqlTable(
  'page_check',
  {
    pageId: foreignKeyId()
      .primaryKey()
      .references(() => page.id, { onDelete: 'cascade' }),
    dueAt: timestamp().notNull(),
    /** As long as it is waited for what was ticked. */
    until: timestamp().notNull(),
    /** In how many seconds behind that it is read again. */
    pause: int().notNull(),
  },
  (t) => [index('page_check_due').on(t.dueAt)],
);

export const stepTick = mysqlTable(
  'step_tick',
  {
    id: id(),
    pageId: foreignKeyId()
      .notNull()
      .references(() => page.id),
    /** Names a step by what is done and with what. */
    step: ascii({ length: 16 }).notNull(),
    tickedAt: timestamp().notNull(),
    /** Who was signed in; null where it was ticked by a link. */
    personId: foreignKeyId().references(() => person.id),
    /** Whom the link was for. */
    linkName: varchar({ length: 80 }),
  },
  (t) => [unique('step_tick_once').on(t.pageId, t.step)],
);
