/** What people are on single sites. */
import { index, mysqlEnum, mysqlTable, primaryKey } from 'drizzle-orm/mysql-core';
import { siteRoles } from '@orbis/contract';
import { foreignKeyId } from './columns.ts';
import { person } from './people.ts';
import { site } from './places.ts';

export const sitePerson = mysqlTable(
  'site_person',
  {
    personId: foreignKeyId()
      .notNull()
      .references(() => person.id, { onDelete: 'cascade' }),
    siteId: foreignKeyId()
      .notNull()
      .references(() => site.id, { onDelete: 'cascade' }),
    role: mysqlEnum(siteRoles).notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.siteId] }), index('site_person_site').on(t.siteId)],
);
