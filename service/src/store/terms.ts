import { and, asc, eq, gt, gte, inArray, isNotNull, isNull, lte, or, sql } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';
import { shareBeforeLimit, type Terms } from '@orbis/core';
import type { YearlyCost } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { isOneOf } from './one-of.ts';
import { embed, embedViews, providerViews, terms } from './schema.ts';

export type TermsRow = typeof terms.$inferSelect;

/** What terms are of. */
export type TermsOf = { embedId: number } | { provider: string };

/** A row with the embed that it is of, if it is of one. */
export interface ListedTerms {
  row: TermsRow;
  embed: { key: string; name: string } | null;
}

const isOf = (of: TermsOf) =>
  'embedId' in of ? eq(terms.embedId, of.embedId) : eq(terms.provider, of.provider);

export async function findTerms(db: Handle, of: TermsOf): Promise<TermsRow | null> {
  const [row] = await db.select().from(terms).where(isOf(of));
  return row ?? null;
}

/** Writes terms in the place of what was seen; false where somebody was faster. */
export async function putTerms(
  db: Handle,
  before: TermsRow | null,
  of: TermsOf,
  values: Terms,
  { by, now }: Actor,
): Promise<boolean> {
  const columns = { ...columnsOf(values), changedAt: now };
  if (before === null) {
    await db.insert(terms).values({ ...of, ...columns, createdAt: now, createdBy: by });
    return true;
  }
  const [result] = await db
    .update(terms)
    .set({ ...columns, version: before.version + 1 })
    .where(and(eq(terms.id, before.id), eq(terms.version, before.version)));
  return result.affectedRows === 1;
}

/** The columns in which terms are kept. */
export const columnsOf = ({ price, ...rest }: Terms) => ({
  ...rest,
  priceAmount: price?.amount ?? null,
  priceCurrency: price?.currency ?? null,
  priceEvery: price?.every ?? null,
});

/** The terms of a row. */
export const termsIn = (row: TermsRow): Terms => ({
  viewsAMonth: row.viewsAMonth,
  price:
    row.priceAmount === null
      ? null
      : { amount: row.priceAmount, currency: row.priceCurrency!, every: row.priceEvery! },
  licence: row.licence,
  ends: row.ends,
  personalData: row.personalData,
});

export const deleteTerms = (db: Handle, { id }: Pick<TermsRow, 'id'>): Promise<unknown> =>
  db.delete(terms).where(eq(terms.id, id));

const listed = { row: terms, embed: { key: embed.key, name: embed.name } };

/** In the order in which they were first written, one more than asked for. */
export const listTerms = (db: Handle, limit: number, after = '0'): Promise<ListedTerms[]> =>
  db
    .select(listed)
    .from(terms)
    .leftJoin(embed, eq(embed.id, terms.embedId))
    .where(gt(terms.id, Number(after)))
    .orderBy(asc(terms.id))
    .limit(limit + 1);

/** What is looked for among terms. */
export interface Pressing {
  /** The last day on which contracts end that are told of, as `YYYY-MM-DD`. */
  endsBy: string;
  /** As `YYYY-MM`. */
  month: string;
  most: number;
}

/**
 * Terms of contracts that are over or will be soon, and of plans of which the views of this month are used up
 * or nearly.
 */
export async function pressingTerms(db: Handle, { endsBy, month, most }: Pressing): Promise<ListedTerms[]> {
  const ids = () => db.select({ id: terms.id }).from(terms);
  const found = await Promise.all([
    ids().where(lte(terms.ends, endsBy)).orderBy(asc(terms.ends)).limit(most),
    ids()
      .innerJoin(embedViews, and(eq(embedViews.embedId, terms.embedId), eq(embedViews.month, month)))
      .where(runsShort(embedViews.times))
      .limit(most),
    ids()
      .innerJoin(
        providerViews,
        and(eq(providerViews.provider, terms.provider), eq(providerViews.month, month)),
      )
      .where(runsShort(providerViews.times))
      .limit(most),
  ]);
  return db
    .select(listed)
    .from(terms)
    .leftJoin(embed, eq(embed.id, terms.embedId))
    .where(
      isOneOf(
        terms.id,
        found.flat().map(({ id }) => id),
      ),
    );
}

/* Each limit is looked at; they are written down by hand, one by one. */
const runsShort = (times: MySqlColumn) =>
  and(isNotNull(terms.viewsAMonth), gte(times, sql`${terms.viewsAMonth} * ${shareBeforeLimit}`));

/** How often each of these was shown in a month (`YYYY-MM`), by the id of its row. */
export async function viewsOf(
  db: Handle,
  rows: readonly Pick<TermsRow, 'id' | 'embedId' | 'provider'>[],
  month: string,
): Promise<Map<number, number>> {
  const embeds = rows.flatMap(({ embedId }) => embedId ?? []);
  const providers = rows.flatMap(({ provider }) => provider ?? []);
  const ofEmbeds = await db
    .select()
    .from(embedViews)
    .where(and(isOneOf(embedViews.embedId, embeds), eq(embedViews.month, month)));
  const ofProviders =
    providers.length === 0
      ? []
      : await db
          .select()
          .from(providerViews)
          .where(and(inArray(providerViews.provider, providers), eq(providerViews.month, month)));
  const times = new Map<number | string, number>([
    ...ofEmbeds.map((each) => [each.embedId, each.times] as const),
    ...ofProviders.map((each) => [each.provider, each.times] as const),
  ]);
  return new Map(rows.map(({ id, embedId, provider }) => [id, times.get(embedId ?? provider ?? '') ?? 0]));
}

/** What all of it costs in a year, by currency; what is paid once and what is over does not count. */
export async function yearlyCosts(db: Handle, today: string): Promise<YearlyCost[]> {
  const amount = sql<number>`SUM(${terms.priceAmount} * IF(${terms.priceEvery} = 'month', 12, 1))`;
  const rows = await db
    .select({ currency: terms.priceCurrency, amount: amount.mapWith(Number) })
    .from(terms)
    .where(and(inArray(terms.priceEvery, ['month', 'year']), or(isNull(terms.ends), gte(terms.ends, today))))
    .groupBy(terms.priceCurrency)
    .orderBy(terms.priceCurrency);
  return rows.map((row) => ({ currency: row.currency!, amount: row.amount }));
}
