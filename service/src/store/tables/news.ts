/** News of findings, the ways by which it goes out, and what becomes of what is sent. */
import {
  bigint,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  tinyint,
  varchar,
} from 'drizzle-orm/mysql-core';
import { channelKinds, messageStates, newsKinds, type Schedule } from '@orbis/contract';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { finding } from './findings.ts';
import { created } from './people.ts';
import { site } from './places.ts';

/** A piece of news: written in the transaction in which it came about, so that none is lost. */
export const news = mysqlTable(
  'news',
  {
    id: id(),
    kind: mysqlEnum(newsKinds).notNull(),
    findingId: foreignKeyId()
      .notNull()
      .references(() => finding.id, { onDelete: 'cascade' }),
    siteId: foreignKeyId().references(() => site.id, { onDelete: 'cascade' }),
    /** How bad the finding was then, as in {@link finding}. */
    rank: tinyint().notNull(),
    at: timestamp().notNull(),
    /**
     * Its place in the order in which news is told, given one after the other: whoever has read up to one has
     * missed none before it. Null while it has not been given to the channels.
     */
    turn: bigint({ mode: 'number', unsigned: true }).unique(),
  },
  (t) => [index('news_site').on(t.siteId, t.turn), index('news_at').on(t.at)],
);

/** One row: the turn that was given last. Who gives turns holds it. */
export const newsTurn = mysqlTable('news_turn', {
  id: int().primaryKey(),
  last: bigint({ mode: 'number', unsigned: true }).notNull(),
});

/** A way by which news goes out; each is served by one process at a time. */
export const channel = mysqlTable('channel', {
  id: id(),
  name: varchar({ length: 60 }).notNull().unique(),
  kind: mysqlEnum(channelKinds).notNull(),
  /** A mail address, or that of a webhook; empty for a feed. */
  to: varchar({ length: 1000 }).notNull().default(''),
  /** Of a webhook, the key of its signatures; of a feed, the digest of its secret; empty for mail. */
  secret: ascii({ length: 64 }).notNull().default(''),
  siteId: foreignKeyId().references(() => site.id, { onDelete: 'cascade' }),
  /** From which rank on. */
  rank: tinyint().notNull(),
  schedule: json().$type<Schedule>(),
  pausedAt: timestamp(),
  lastAt: timestamp(),
  /** Since when nothing gets through, and why. */
  failingSince: timestamp(),
  why: varchar({ length: 500 }).notNull().default(''),
  /** Until when it is left alone, by the database's clock. */
  retryAt: timestamp(),
  leaseOwner: ascii({ length: 40 }),
  leaseUntil: timestamp(),
  version: int().notNull().default(1),
  ...created,
});

/** Something that goes out by a channel; a feed is asked for, and has none. */
export const message = mysqlTable(
  'message',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    channelId: foreignKeyId()
      .notNull()
      .references(() => channel.id, { onDelete: 'cascade' }),
    state: mysqlEnum(messageStates).notNull(),
    /** The channel, while more is gathered for it there: one at a time. */
    gathersFor: foreignKeyId().unique(),
    isTrial: tinyint().notNull().default(0),
    /** How many pieces of news are in it. */
    news: int().notNull().default(0),
    attempts: int().notNull().default(0),
    /** When it is tried next, by the database's clock; or how long is gathered. */
    dueAt: timestamp().notNull(),
    /** When it was to go out first: from then on it is tried for a day. */
    since: timestamp().notNull(),
    why: varchar({ length: 500 }).notNull().default(''),
    createdAt: timestamp().notNull(),
    sentAt: timestamp(),
  },
  (t) => [
    index('message_due').on(t.channelId, t.state, t.dueAt, t.id),
    index('message_channel').on(t.channelId, t.id),
    index('message_of_channel_in').on(t.channelId, t.state, t.id),
    index('message_state').on(t.state, t.id),
    index('message_sent').on(t.sentAt),
  ],
);

/** The news in a message. */
export const messageNews = mysqlTable(
  'message_news',
  {
    messageId: foreignKeyId()
      .notNull()
      .references(() => message.id, { onDelete: 'cascade' }),
    newsId: foreignKeyId()
      .notNull()
      .references(() => news.id, { onDelete: 'cascade' }),
  },
  (t) => [primaryKey({ columns: [t.messageId, t.newsId] }), index('message_news_of').on(t.newsId)],
);
