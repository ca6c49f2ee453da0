/** How many placements were in each state, day by day. */
import { date, index, int, mysqlEnum, mysqlTable, primaryKey } from 'drizzle-orm/mysql-core';
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
