import { and, asc, desc, eq, gt, gte, inArray, isNull, lt, sql, type SQL } from 'drizzle-orm';
import type { NewsKind } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertMany } from './insert-many.ts';
import { finding, news, newsTurn } from './schema.ts';

export type NewsRow = typeof news.$inferSelect;

/** What became of a finding. */
export interface NewNews {
  kind: NewsKind;
  findingId: number;
  siteId: number | null;
  rank: number;
}

/** Writes news down, in the transaction in which it came about. */
export const writeNews = (tx: Handle, all: readonly NewNews[], now: Date): Promise<void> =>
  insertMany(
    tx,
    news,
    all.map((each) => ({ ...each, at: now })),
  );

/** Writes down that these findings are solved, before they are; in the transaction that solves them. */
export const writeSolved = async (tx: Handle, which: SQL): Promise<void> =>
  void (await tx.execute(
    sql`insert into ${news} (kind, finding_id, site_id, ${sql.identifier('rank')}, at)
      select 'solved', ${finding.id}, ${finding.siteId}, ${finding.rank}, UTC_TIMESTAMP(3)
      from ${finding} where ${which}`,
  ));

/* So much is given its turn at once; the rest at once behind it. */
const together = 200;

/**
 * Gives news that has no turn yet the turns that follow, and does something with it in the same transaction.
 * One process at a time does: so a turn is seen only when all before it are.
 * @returns how much it was.
 */
export async function giveTurns(
  db: Database,
  then: (tx: Handle, given: readonly NewsRow[]) => Promise<void>,
): Promise<number> {
  if (!(await isAnyNew(db))) return 0;
  await db.insert(newsTurn).ignore().values({ id: 1, last: 0 });
  return inTransaction(db, async (tx) => {
    const [turn] = await tx.select().from(newsTurn).where(eq(newsTurn.id, 1)).for('update');
    const rows = await tx.select().from(news).where(isNull(news.turn)).orderBy(asc(news.id)).limit(together);
    if (rows.length === 0) return 0;
    const given = rows.map((row, i) => ({ ...row, turn: turn!.last + 1 + i }));
    for (const { id, turn: its } of given) await tx.update(news).set({ turn: its }).where(eq(news.id, id));
    await tx
      .update(newsTurn)
      .set({ last: given.at(-1)!.turn })
      .where(eq(newsTurn.id, 1));
    await then(tx, given);
    return given.length;
  });
}

async function isAnyNew(db: Handle): Promise<boolean> {
  const [row] = await db.select({ id: news.id }).from(news).where(isNull(news.turn)).limit(1);
  return row !== undefined;
}

/** The turn that was given last; 0 where none was. */
export async function lastTurn(db: Handle): Promise<number> {
  const [row] = await db.select({ turn: news.turn }).from(news).orderBy(desc(news.turn)).limit(1);
  return row?.turn ?? 0;
}

const ofSite = (siteId: number | undefined): SQL | undefined =>
  siteId === undefined ? undefined : eq(news.siteId, siteId);

/** News that has its turn, the newest first; one more than asked for. */
export const listNews = (
  db: Handle,
  siteId: number | undefined,
  limit: number,
  before: number | null,
): Promise<NewsRow[]> =>
  db
    .select()
    .from(news)
    .where(and(ofSite(siteId), before === null ? gt(news.turn, 0) : lt(news.turn, before)))
    .orderBy(desc(news.turn))
    .limit(limit + 1);

/** News behind a turn, in its order. */
export const newsAfter = (
  db: Handle,
  siteId: number | undefined,
  turn: number,
  limit: number,
): Promise<NewsRow[]> =>
  db
    .select()
    .from(news)
    .where(and(ofSite(siteId), gt(news.turn, turn)))
    .orderBy(asc(news.turn))
    .limit(limit);

/* So far back a feed is looked through, whatever is in it. */
const mostLookedThrough = 5000;

/** What stands in a feed: news of a site or of all, from a rank on, the newest first. */
export async function newsForFeed(
  db: Handle,
  { siteId, rank }: { siteId: number | null; rank: number },
  limit: number,
): Promise<NewsRow[]> {
  const least = (await lastTurn(db)) - mostLookedThrough;
  return db
    .select()
    .from(news)
    .where(and(ofSite(siteId ?? undefined), gt(news.turn, Math.max(0, least)), gte(news.rank, rank)))
    .orderBy(desc(news.turn))
    .limit(limit);
}

/** The news with these ids, in its order. */
export const newsWith = (db: Handle, ids: readonly number[]): Promise<NewsRow[]> =>
  db
    .select()
    .from(news)
    .where(inArray(news.id, [...ids]))
    .orderBy(asc(news.turn));

/* For how many days news is kept, and how much of it goes at once. */
const [daysKept, goesAtOnce] = [365, 1000];

/** Takes old news away, a part of it; the rest another time. */
export const dropOldNews = async (db: Handle): Promise<void> =>
  void (await db.execute(
    sql`delete from ${news} where ${news.at} < UTC_TIMESTAMP(3) - INTERVAL ${sql.raw(String(daysKept))} DAY limit ${sql.raw(String(goesAtOnce))}`,
  ));
