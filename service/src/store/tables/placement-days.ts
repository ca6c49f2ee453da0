/** How many placements were in each state, day by day, and for how long they have been out of date. */
import { date, index, int, mysqlEnum, mysqlTable, primaryKey } from 'drizzle-orm/mysql-core';
import { outOfDateFor } from '@orbis/contract';
import { foreignKeyId } from './columns.ts';
import { seenStates } from './placements.ts';
import { site } from './places.ts';

export const placementDay = mysqlTable(
  'placement_day',
  {
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id, { onDelete: 'cascade' }),
    /** UTC. */
    day: date({ mode: 'string' }).notNull(),
    state: mysqlEnum([...seenStates, 'out-of-date', 'paused']).notNull(),
    count: int().notNull(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.day, t.state] }), index('placement_day_day').on(t.day)],
);

/** How many placements have been out of date for how long, as it was when they were last counted. */
export const placementAge = mysqlTable(
  'placement_age',
  {
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id, { onDelete: 'cascade' }),
    age: mysqlEnum([...outOfDateFor]).notNull(),
    count: int().notNull(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.age] })],
);
