/** Who did what: written down, and never changed. */
import {
  boolean,
  index,
  int,
  mediumtext,
  mysqlEnum,
  mysqlTable,
  tinyint,
  varchar,
} from 'drizzle-orm/mysql-core';
import { actMeans, actOutcomes } from '@orbis/contract';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { person } from './people.ts';

/**
 * One row for each act. It is written in the transaction of the act; a moment later it gets its number and
 * its hash, which is the last time that it is touched.
 */
export const audit = mysqlTable(
  'audit',
  {
    id: id(),
    /** Its number in the chain. */
    number: int({ unsigned: true }).unique(),
    hash: ascii({ length: 64 }),
    at: timestamp().notNull(),
    act: ascii({ length: 40 }).notNull(),
    outcome: mysqlEnum(actOutcomes).notNull(),
    why: ascii({ length: 40 }),
    thing: varchar({ length: 500 }),
    personId: foreignKeyId().references(() => person.id),
    /** What they were called then. */
    who: varchar({ length: 90 }),
    means: mysqlEnum(actMeans).notNull(),
    network: ascii({ length: 50 }).notNull(),
    said: varchar({ length: 2000 }),
    times: int({ unsigned: true }).notNull().default(1),
    /** As JSON texts: a digest is of characters. */
    before: mediumtext(),
    after: mediumtext(),
    /** The digest of these texts: it stays where they were taken out with an embed that was purged. */
    contents: ascii({ length: 64 }).notNull(),
    withheld: boolean().notNull().default(false),
    /** The change that was made; null for what is none, or went with a register. */
    changeId: foreignKeyId(),
  },
  (t) => [
    index('audit_person').on(t.personId, t.id),
    index('audit_act').on(t.act, t.id),
    index('audit_thing').on(t.thing, t.id),
    index('audit_outcome').on(t.outcome, t.id),
    index('audit_change').on(t.changeId),
  ],
);

/** Where the chain ends, and where it begins since its oldest entries were dropped. One row. */
export const auditChain = mysqlTable('audit_chain', {
  id: tinyint().primaryKey(),
  number: int({ unsigned: true }).notNull(),
  hash: ascii({ length: 64 }).notNull(),
  droppedNumber: int({ unsigned: true }).notNull(),
  droppedHash: ascii({ length: 64 }).notNull(),
});
