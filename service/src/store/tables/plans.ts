/** What is done of the plans of pages, and links for whoever does it. */
import { index, mysqlTable, unique, varchar } from 'drizzle-orm/mysql-core';
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
