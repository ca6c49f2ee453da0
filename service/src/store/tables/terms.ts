/** What owners have agreed upon with providers, and how much of it is used. */
import {
  boolean,
  char,
  date,
  decimal,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  varchar,
} from 'drizzle-orm/mysql-core';
import { pricePeriods } from '@orbis/core';
import { ascii, foreignKeyId, id, timestamp } from './columns.ts';
import { embed } from './collection.ts';
import { created } from './people.ts';

/** Of an embed or of a provider: either is null. */
export const terms = mysqlTable(
  'terms',
  {
    id: id(),
    embedId: foreignKeyId()
      .unique()
      .references(() => embed.id, { onDelete: 'cascade' }),
    provider: ascii({ length: 60 }).unique(),
    viewsAMonth: int({ unsigned: true }),
    priceAmount: decimal({ precision: 12, scale: 2, mode: 'number' }),
    priceCurrency: char({ length: 3 }),
    priceEvery: mysqlEnum([...pricePeriods]),
    licence: varchar({ length: 300 }).notNull().default(''),
    ends: date({ mode: 'string' }),
    personalData: boolean(),
    version: int().notNull().default(1),
    changedAt: timestamp().notNull(),
    ...created,
  },
  (t) => [index('terms_ends').on(t.ends), index('terms_views').on(t.viewsAMonth)],
);

const month = () => ascii({ length: 7 }).notNull();
const times = () => int({ unsigned: true }).notNull();

/** How often the documents of an embed were shown in a month (`YYYY-MM`), wherever it is placed. */
export const embedViews = mysqlTable(
  'embed_views',
  {
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id, { onDelete: 'cascade' }),
    month: month(),
    times: times(),
  },
  (t) => [primaryKey({ columns: [t.embedId, t.month] })],
);

/** How often those of a provider’s embeds were shown in a month. */
export const providerViews = mysqlTable(
  'provider_views',
  { provider: ascii({ length: 60 }).notNull(), month: month(), times: times() },
  (t) => [primaryKey({ columns: [t.provider, t.month] })],
);
