/** Who uses Orbis, and how they are let in. */
import { mysqlEnum, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import { ascii, id, ref, when } from './columns.ts';

export const person = mysqlTable('person', {
  id: id(),
  name: varchar({ length: 80 }).notNull(),
  /** argon2id, in the PHC string format; null until the owner has set one. */
  passwordHash: varchar({ length: 255 }),
  createdAt: when().notNull(),
});

export const session = mysqlTable('session', {
  hash: ascii({ length: 64 }).primaryKey(),
  personId: ref()
    .notNull()
    .references(() => person.id),
  createdAt: when().notNull(),
  expiresAt: when().notNull(),
});

export const token = mysqlTable('token', {
  id: id(),
  publicId: ascii({ length: 10 }).notNull().unique(),
  personId: ref()
    .notNull()
    .references(() => person.id),
  name: varchar({ length: 80 }).notNull(),
  hash: ascii({ length: 64 }).notNull().unique(),
  createdAt: when().notNull(),
  lastUsedAt: when(),
  revokedAt: when(),
});

/** One-time links: to set a password, or to sign in. */
export const link = mysqlTable('link', {
  hash: ascii({ length: 64 }).primaryKey(),
  personId: ref()
    .notNull()
    .references(() => person.id),
  purpose: mysqlEnum(['password', 'sign-in']).notNull(),
  createdAt: when().notNull(),
  expiresAt: when().notNull(),
  usedAt: when(),
});

/** When a row was made, and by whom. */
export const created = { createdAt: when().notNull(), createdBy: ref().references(() => person.id) };
