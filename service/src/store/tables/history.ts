/** What was done to things, and how sweeps saw them change. */
import { index, mysqlEnum, mysqlTable } from 'drizzle-orm/mysql-core';
import { changeLog } from './changes.ts';
import { embed } from './collection.ts';
import { foreignKeyId, id, timestamp } from './columns.ts';
import { placement } from './placements.ts';
import { page, site } from './places.ts';
import { sightedStates } from './sweeps.ts';

/**
 * One row for each thing that something is about, or one for several of different kinds; so the history of
 * each comes from one index. It is about a change, or about what a sweep saw.
 */
export const history = mysqlTable(
  'history',
  {
    id: id(),
    at: timestamp().notNull(),
    embedId: foreignKeyId().references(() => embed.id, { onDelete: 'set null' }),
    pageId: foreignKeyId().references(() => page.id, { onDelete: 'set null' }),
    siteId: foreignKeyId().references(() => site.id, { onDelete: 'set null' }),
    changeId: foreignKeyId().references(() => changeLog.id, { onDelete: 'cascade' }),
    /** What was seen otherwise than before, and how. */
    placementId: foreignKeyId().references(() => placement.id, { onDelete: 'cascade' }),
    was: mysqlEnum([...sightedStates]),
    state: mysqlEnum([...sightedStates]),
  },
  (t) => [
    index('history_embed').on(t.embedId, t.id),
    index('history_page').on(t.pageId, t.id),
    index('history_site').on(t.siteId, t.id),
  ],
);
