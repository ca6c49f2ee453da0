/** By what people sign in beside their password. */
import {
  bigint,
  boolean,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  varchar,
} from 'drizzle-orm/mysql-core';
import { demandedOf } from '@orbis/contract';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { person } from './people.ts';

/** What holds for everybody: one row, or none while nothing was said. */
export const security = mysqlTable('security', {
  id: int().primaryKey(),
  demandedOf: mysqlEnum(demandedOf).notNull(),
  changedAt: timestamp().notNull(),
});

/** A passkey (Web Authentication, Level 3): its public half. */
export const passkey = mysqlTable(
  'passkey',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    personId: foreignKeyId()
      .notNull()
      .references(() => person.id),
    name: varchar({ length: 80 }).notNull(),
    /** The digest of the credential’s id, which may be long. */
    credentialHash: ascii({ length: 64 }).notNull().unique(),
    /** The credential’s id, in base64url; at most 1023 bytes. */
    credential: ascii({ length: 1400 }).notNull(),
    /** Its public key in COSE, in base64url. */
    publicKey: ascii({ length: 4000 }).notNull(),
    /** How often it was used, as its device says; one that goes back is a copy. */
    counter: bigint({ mode: 'number', unsigned: true }).notNull(),
    /** How browsers reach its device, separated by commas. */
    transports: ascii({ length: 100 }).notNull(),
    synced: boolean().notNull(),
    createdAt: timestamp().notNull(),
    lastUsedAt: timestamp(),
  },
  (t) => [index('passkey_person').on(t.personId, t.id)],
);

/** What a browser has been asked to sign; each holds once, for a few minutes. */
export const challenge = mysqlTable(
  'challenge',
  {
    hash: ascii({ length: 64 }).primaryKey(),
    /** Whose browser it is; null where that is not known yet. */
    personId: foreignKeyId().references(() => person.id),
    expiresAt: timestamp().notNull(),
  },
  (t) => [index('challenge_expires').on(t.expiresAt)],
);

/** Somebody’s secret of time-based codes (RFC 6238), which their app has as well. */
export const codeSecret = mysqlTable('code_secret', {
  personId: foreignKeyId()
    .primaryKey()
    .references(() => person.id),
  /** In Base32. It cannot be hashed, as codes are made of it. */
  secret: ascii({ length: 64 }).notNull(),
  begunAt: timestamp().notNull(),
  /** Since when codes are asked for; null until a first one was given. */
  since: timestamp(),
  /** The half minute of the code that was used last, since 1970: no code holds twice. */
  lastStep: int({ unsigned: true }).notNull().default(0),
});

/** Recovery codes that were not used: digests of them. */
export const recoveryCode = mysqlTable(
  'recovery_code',
  {
    personId: foreignKeyId()
      .notNull()
      .references(() => person.id),
    hash: ascii({ length: 64 }).notNull(),
    createdAt: timestamp().notNull(),
  },
  (t) => [primaryKey({ columns: [t.personId, t.hash] })],
);
