/** What placed embeds load from elsewhere, and how it was answered when it was last asked for. */
import {
  date,
  foreignKey,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  smallint,
  tinyint,
  varchar,
} from 'drizzle-orm/mysql-core';
import { resourceUses, type Clip } from '@orbis/core';
import { resourceStates } from '@orbis/contract';
import { ascii, exact, foreignKeyId, id, timestamp } from './columns.ts';
import { embed } from './collection.ts';
import { sweptHost } from './sweeps.ts';

/** A host that placed embeds load something from. */
export const askedHost = mysqlTable(
  'asked_host',
  {
    hostId: foreignKeyId().primaryKey(),
    /** The id of the sheet of an embed that loads something from it; null where there is none. */
    provider: varchar({ length: 60 }),
    /** How many addresses of it there are, and of how many something is wrong. */
    resources: int().notNull().default(0),
    faulty: int().notNull().default(0),
    askedAt: timestamp(),
    /** When something is to be asked of it next; null for never. */
    dueAt: timestamp(),
    /** How long it takes to answer, in ms: of the last few times. */
    took: int(),
    certificateEnds: timestamp(),
  },
  (t) => [
    foreignKey({ name: 'asked_host_host', columns: [t.hostId], foreignColumns: [sweptHost.id] }),
    index('asked_host_list').on(t.faulty, t.hostId),
    index('asked_host_due').on(t.dueAt),
  ],
);

/** How a host answered on a day (UTC): how often it was asked, and how often something came. */
export const hostDay = mysqlTable(
  'host_day',
  {
    hostId: foreignKeyId().notNull(),
    day: date({ mode: 'string' }).notNull(),
    asked: int().notNull(),
    answered: int().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.hostId, t.day] }),
    index('host_day_day').on(t.day),
    foreignKey({
      name: 'host_day_host',
      columns: [t.hostId],
      foreignColumns: [askedHost.hostId],
    }).onDelete('cascade'),
  ],
);

/** Something that placed embeds load or lead to: each address once for each use. */
export const resource = mysqlTable(
  'resource',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    /** Digest of its use and address. */
    same: ascii({ length: 64 }).notNull().unique(),
    use: mysqlEnum(resourceUses).notNull(),
    address: exact({ length: 2000 }).notNull(),
    hostId: foreignKeyId()
      .notNull()
      .references(() => askedHost.hostId),
    state: mysqlEnum(resourceStates).notNull().default('waiting'),
    /** When it is asked for next. */
    nextAt: timestamp().notNull(),
    /** Whether somebody wants to know now: then what goes wrong is told at once. */
    byHand: tinyint().notNull().default(0),
    askedAt: timestamp(),
    /** How often in a row it went wrong, or was slow. */
    fails: smallint({ unsigned: true }).notNull().default(0),
    slows: smallint({ unsigned: true }).notNull().default(0),
    status: smallint({ unsigned: true }),
    /** Why nothing came of it; empty where something did. */
    why: varchar({ length: 300 }).notNull().default(''),
    took: int(),
    /** As its host states it. */
    type: varchar({ length: 100 }).notNull().default(''),
    /** Of a script, a style sheet or a file, in bytes. */
    bytes: int({ unsigned: true }),
    /** What it was before, and since when it is otherwise. */
    bytesBefore: int({ unsigned: true }),
    resizedAt: timestamp(),
    /** Of a film or sound. */
    width: smallint({ unsigned: true }),
    height: smallint({ unsigned: true }),
    /** In ms. */
    length: int({ unsigned: true }),
    /** Where it leads on to for good; null where it does not. */
    movedTo: varchar({ length: 2000 }),
  },
  (t) => [
    index('resource_next').on(t.hostId, t.byHand, t.nextAt, t.id),
    index('resource_by_hand').on(t.byHand, t.hostId),
    index('resource_host').on(t.hostId, t.id),
    index('resource_host_state').on(t.hostId, t.state, t.id),
    index('resource_state').on(t.state, t.id),
  ],
);

/** What the newest revision of an embed loads. */
export const embedResource = mysqlTable(
  'embed_resource',
  {
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    resourceId: foreignKeyId()
      .notNull()
      .references(() => resource.id, { onDelete: 'cascade' }),
    /** Of a film or sound, the parts of it that are played. */
    clips: json().$type<Clip[]>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.embedId, t.resourceId] }),
    index('embed_resource_of').on(t.resourceId, t.embedId),
  ],
);
