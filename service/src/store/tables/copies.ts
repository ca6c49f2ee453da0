/** Safety copies that were made or are to be made. */
import { bigint, boolean, index, int, mysqlEnum, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { copyStates } from '@orbis/contract';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { created } from './people.ts';
import { job } from './sweeps.ts';

export const copy = mysqlTable(
  'copy',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    /** What makes it; null for one that was made at the server’s own machine. */
    jobId: foreignKeyId()
      .unique()
      .references(() => job.id, { onDelete: 'set null' }),
    /** The moment for which it was due: no two are made for one. Null for one that somebody asked for. */
    slot: timestamp().unique(),
    state: mysqlEnum(copyStates).notNull(),
    folder: varchar({ length: 500 }).notNull(),
    /** Its file’s name; empty until it is there. */
    name: varchar({ length: 80 }).notNull().default(''),
    encrypted: boolean().notNull(),
    madeAt: timestamp(),
    bytes: bigint({ mode: 'number', unsigned: true }),
    rows: bigint({ mode: 'number', unsigned: true }),
    files: int({ unsigned: true }),
    readBackAt: timestamp(),
    why: varchar({ length: 500 }).notNull().default(''),
    ...created,
  },
  (t) => [index('copy_state').on(t.state, t.madeAt), index('copy_folder').on(t.folder, t.id)],
);
