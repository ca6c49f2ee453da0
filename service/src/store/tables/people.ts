/** Who uses Orbis, and how they are let in. */
import {
  boolean,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  unique,
  varchar,
  type AnyMySqlColumn,
} from 'drizzle-orm/mysql-core';
import { personRoles } from '@orbis/contract';
import { ascii, id, foreignKeyId, timestamp } from './columns.ts';

export const person = mysqlTable(
  'person',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    /** By which they sign in; of somebody who was removed it stays with what they made. */
    name: varchar({ length: 80 }).notNull(),
    email: varchar({ length: 254 }),
    /** What they are for everything; null for somebody who has single sites alone. */
    role: mysqlEnum(personRoles),
    /** argon2id, in the PHC string format; null until they have set one. */
    passwordHash: varchar({ length: 255 }),
    /** When they last did something, to the minute. */
    seenAt: timestamp(),
    removedAt: timestamp(),
    version: int().notNull().default(1),
    createdAt: timestamp().notNull(),
    createdBy: foreignKeyId().references((): AnyMySqlColumn => person.id),
  },
  (t) => [unique('person_name').on(t.name)],
);

export const session = mysqlTable(
  'session',
  {
    hash: ascii({ length: 64 }).primaryKey(),
    /** By which its owner names it. */
    publicId: ascii({ length: 10 }).notNull().unique(),
    personId: foreignKeyId()
      .notNull()
      .references(() => person.id),
    createdAt: timestamp().notNull(),
    /** When it was last used, to the minute: one that is not used for long ends before its time. */
    usedAt: timestamp().notNull(),
    expiresAt: timestamp().notNull(),
    /** Where it was last used from, and with what: for its owner to know it again. */
    address: ascii({ length: 45 }).notNull(),
    agent: varchar({ length: 200 }).notNull(),
    /** Whether a second factor was given, here or at signing in. */
    withFactor: boolean().notNull().default(false),
  },
  (t) => [index('session_person').on(t.personId, t.createdAt)],
);

export const token = mysqlTable('token', {
  id: id(),
  publicId: ascii({ length: 10 }).notNull().unique(),
  personId: foreignKeyId()
    .notNull()
    .references(() => person.id),
  name: varchar({ length: 80 }).notNull(),
  hash: ascii({ length: 64 }).notNull().unique(),
  access: mysqlEnum(['all', 'read']).notNull().default('all'),
  createdAt: timestamp().notNull(),
  expiresAt: timestamp().notNull(),
  lastUsedAt: timestamp(),
  lastUsedFrom: ascii({ length: 45 }),
  revokedAt: timestamp(),
});

/** Browsers in which somebody has signed in: their right password is never locked out by others. */
export const device = mysqlTable(
  'device',
  {
    hash: ascii({ length: 64 }).primaryKey(),
    personId: foreignKeyId()
      .notNull()
      .references(() => person.id),
    createdAt: timestamp().notNull(),
  },
  (t) => [index('device_person').on(t.personId, t.createdAt)],
);

/** How often it was tried to sign in, counted for an account, a part of the network, or a device. */
export const attempt = mysqlTable('attempt', {
  scope: ascii({ length: 100 }).primaryKey(),
  count: int().notNull(),
  lastAt: timestamp().notNull(),
  blockedUntil: timestamp().notNull(),
});

/** One-time links: to set a password, or to sign in. */
export const link = mysqlTable('link', {
  hash: ascii({ length: 64 }).primaryKey(),
  personId: foreignKeyId()
    .notNull()
    .references(() => person.id),
  purpose: mysqlEnum(['password', 'sign-in']).notNull(),
  createdAt: timestamp().notNull(),
  expiresAt: timestamp().notNull(),
  usedAt: timestamp(),
});

/** When a row was made, and by whom. */
export const created = {
  createdAt: timestamp().notNull(),
  createdBy: foreignKeyId().references(() => person.id),
};
