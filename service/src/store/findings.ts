import { and, asc, eq, inArray, lte, sql, type SQL } from 'drizzle-orm';
import type { Facts, Level, Reason } from '@orbis/core';
import type { FindingList } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { chunks } from './chunks.ts';
import { countOpen, type OpenChange } from './finding-counts.ts';
import { newPublicId } from './ids.ts';
import { writeNews, writeSolved, type NewNews } from './news.ts';
import { databaseNow, finding, findingAt, page, placement } from './schema.ts';

export type FindingRow = typeof finding.$inferSelect;

/** Levels, the worst last: a rank is a place among them, so that one index has the worst and the newest. */
export const levelsByRank: readonly Level[] = ['note', 'warning', 'error'];

/** Something that was found, and what it is about. */
export interface Found {
  rule: string;
  level: Level;
  /** What makes it the same as what was found before, with its rule: `placement:7`, `page:12`. */
  about: string;
  /** Null where it is of no site: of what embeds load from elsewhere. */
  siteId: number | null;
  pageId: number | null;
  placementId: number | null;
  /** The embed that it is about, where it is about no placement; and the host, where it is about one. */
  embedId?: number | null;
  hostId?: number | null;
  facts: Facts;
  details?: readonly Reason[] | undefined;
  /** The code that it is about, where the register does not have it. */
  code?: string | undefined;
}

/**
 * Writes down all that was found at one place, which takes the place of what had been found there: what is
 * new is open, what was solved is open again, and what is found nowhere any more is solved. Call it in a
 * transaction.
 * @param scope the place: `page:12`, `look:12`, `site:3`, `resource:7`.
 */
export async function keepFound(
  tx: Handle,
  scope: string,
  found: readonly Found[],
  now: Date,
): Promise<void> {
  const there = await tx
    .select({ finding })
    .from(findingAt)
    .innerJoin(finding, eq(finding.id, findingAt.findingId))
    .where(eq(findingAt.scope, scope));
  if (there.length === 0 && found.length === 0) return;
  const wanted = new Map(found.map((each) => [sameOf(each), each]));
  const known = new Map(there.map((row) => [row.finding.same, row.finding]));
  const changes: Changes = { counts: [], news: [] };
  // In one order, so that nobody waits for somebody who waits for them.
  for (const same of [...new Set([...wanted.keys(), ...known.keys()])].sort()) {
    const [each, row] = [wanted.get(same), known.get(same)];
    if (each && row) await seeAgain(tx, row, each, now, changes);
    else if (each) await seeHere(tx, { scope, same }, each, now, changes);
    else await seeNoMore(tx, scope, row!, now, changes);
  }
  await writeNews(tx, changes.news, now);
  await countOpen(tx, changes.counts);
}

/* What comes of it: how many are open, and what is worth telling. */
interface Changes {
  counts: OpenChange[];
  news: NewNews[];
}

const sameOf = ({ rule, about }: Pick<Found, 'rule' | 'about'>): string => digest(`${rule} ${about}`);

/* What changes of a finding that is found again. */
const valuesOf = ({ level, facts, details = [], code }: Found) => ({
  rank: levelsByRank.indexOf(level),
  facts,
  details: [...details],
  code: code ?? null,
});

/* Where it was found before as well. */
async function seeAgain(
  tx: Handle,
  before: FindingRow,
  found: Found,
  now: Date,
  changes: Changes,
): Promise<void> {
  const { id } = before;
  if (isAsBefore(before, found, now)) return;
  const row = await locked(tx, eq(finding.id, id));
  // Somebody called it solved, and it is still there.
  const back = reopenedOf(row, found, changes);
  await tx
    .update(finding)
    .set({ ...valuesOf(found), lastSeenAt: now, ...back })
    .where(eq(finding.id, id));
}

/* Whether nothing is to be written down: it was seen just now, and was the same. */
const isAsBefore = (row: FindingRow, found: Found, now: Date): boolean =>
  row.list !== 'solved' &&
  now.getTime() - row.lastSeenAt.getTime() < justNow &&
  Object.entries(valuesOf(found)).every(
    ([name, value]) => JSON.stringify(row[name as keyof FindingRow]) === JSON.stringify(value),
  );

/* So many ms later that is written down all the same. */
const justNow = 10 * 60_000;

/* Where it was not found before; elsewhere it may have been. */
async function seeHere(
  tx: Handle,
  { scope, same }: { scope: string; same: string },
  found: Found,
  now: Date,
  changes: Changes,
): Promise<void> {
  const { rule, siteId, pageId, placementId, embedId = null, hostId = null } = found;
  const where = eq(finding.same, same);
  const [known] = await tx.select({ id: finding.id }).from(finding).where(where);
  if (!known)
    await tx
      .insert(finding)
      .ignore()
      .values({
        publicId: newPublicId(),
        ...{ same, rule, siteId, pageId, placementId, embedId, hostId },
        ...valuesOf(found),
        // Counted as open below, with what was solved before.
        list: 'solved',
        firstSeenAt: now,
        lastSeenAt: now,
      });
  const row = await locked(tx, where);
  const [at] = await tx.insert(findingAt).ignore().values({ findingId: row.id, scope });
  const back = reopenedOf(row, found, changes);
  await tx
    .update(finding)
    .set({
      // Another process may have found it here as well.
      times: row.times + at.affectedRows,
      lastSeenAt: now,
      ...(back && { ...valuesOf(found), ...back, pageId, placementId, embedId, hostId }),
    })
    .where(eq(finding.id, row.id));
}

/* Whoever was faster is seen only by a reading that locks. */
async function locked(tx: Handle, where: SQL): Promise<FindingRow> {
  const [row] = await tx.select().from(finding).where(where).for('update');
  return row!;
}

/* What makes a finding that was solved open again; null where it was not. */
function reopenedOf({ id, list, siteId, rule }: FindingRow, { level }: Found, changes: Changes) {
  if (list !== 'solved') return null;
  changes.counts.push({ siteId, rule, by: 1 });
  changes.news.push({ kind: 'found', findingId: id, siteId, rank: levelsByRank.indexOf(level) });
  return { list: 'open' as const, ...reopened };
}

const reopened = {
  ...{ noticedAt: null, solvedAt: null, decidedAt: null, decidedBy: null },
  ...{ until: null, reason: '' },
};

/* It is not there any more. What is not to be told again stays so, should it come back. */
async function seeNoMore(
  tx: Handle,
  scope: string,
  { id }: FindingRow,
  now: Date,
  changes: Changes,
): Promise<void> {
  const [row] = await tx.select().from(finding).where(eq(finding.id, id)).for('update');
  const at = and(eq(findingAt.findingId, id), eq(findingAt.scope, scope));
  const [gone] = await tx.delete(findingAt).where(at);
  if (!row || gone.affectedRows === 0) return;
  const isSolved = row.times <= 1 && (row.list === 'open' || row.list === 'later');
  const { siteId, rule, rank } = row;
  if (isSolved && row.list === 'open') changes.counts.push({ siteId, rule, by: -1 });
  if (isSolved) changes.news.push({ kind: 'solved', findingId: id, siteId, rank });
  await tx
    .update(finding)
    .set({ times: row.times - 1, ...(isSolved && solvedItself(now)) })
    .where(eq(finding.id, id));
}

const solvedItself = (now: Date | SQL) => ({
  ...{ list: 'solved' as const, solvedAt: now, until: null, decidedAt: null, decidedBy: null },
});

/** Of what has ended, nothing wants attention any more. Call it in a transaction, while it is there. */
export const letFindingsOfPlacementsGo = (tx: Handle, placed: SQL): Promise<void> =>
  letFindingsGo(
    tx,
    inArray(finding.placementId, tx.select({ id: placement.id }).from(placement).where(placed)),
  );

/** What was found on pages that go is not there any more. Call it in a transaction, while they are there. */
export async function letFindingsOnPagesGo(tx: Handle, pages: SQL | undefined): Promise<void> {
  for (const seen of ['page:', 'look:']) {
    const scopes = tx
      .select({ scope: sql<string>`concat(${seen}, ${page.id})` })
      .from(page)
      .where(pages);
    await letFindingsAtGo(tx, inArray(findingAt.scope, scopes));
  }
}

/** What was found at places that go is not there any more, which may be found elsewhere as well. */
export async function letFindingsAtGo(tx: Handle, where: SQL): Promise<void> {
  const there = await tx
    .select({ id: findingAt.findingId, times: sql<number>`count(*)`.mapWith(Number) })
    .from(findingAt)
    .where(where)
    .groupBy(findingAt.findingId);
  if (there.length === 0) return;
  await tx.delete(findingAt).where(where);
  for (const { id, times } of there)
    await tx
      .update(finding)
      .set({ times: sql`${finding.times} - ${times}` })
      .where(eq(finding.id, id));
  const ids = there.map(({ id }) => id);
  for (const part of chunks(ids))
    await letFindingsGo(tx, and(inArray(finding.id, part), lte(finding.times, 0))!);
}

/** Nothing wants attention any more of these. Call it in a transaction. */
export async function letFindingsGo(tx: Handle, which: SQL): Promise<void> {
  const open = and(which, inArray(finding.list, ['open', 'later']));
  const counted = await tx
    .select({
      siteId: finding.siteId,
      rule: finding.rule,
      by: sql<number>`-sum(${finding.list} = 'open')`.mapWith(Number),
    })
    .from(finding)
    .where(open)
    .groupBy(finding.siteId, finding.rule);
  if (counted.length === 0) return;
  await writeSolved(tx, open!);
  await tx.update(finding).set(solvedItself(databaseNow)).where(open);
  await countOpen(tx, counted);
}

/** What is decided about findings. */
export interface Decided {
  list: FindingList;
  /** Whether it is new again. */
  isNew: boolean;
  until: Date | null;
  reason: string;
}

/** Decides about findings, which are locked before. Call it in a transaction. */
export async function decide(
  tx: Handle,
  rows: readonly FindingRow[],
  { list, isNew, until, reason }: Decided,
  { by, now }: { by: number | null; now: Date },
): Promise<void> {
  if (rows.length === 0) return;
  await tx
    .update(finding)
    .set({
      list,
      ...{ until, reason, noticedAt: isNew ? null : now, decidedAt: now, decidedBy: by },
      solvedAt: list === 'solved' ? now : null,
    })
    .where(
      inArray(
        finding.id,
        rows.map(({ id }) => id),
      ),
    );
  await writeNews(
    tx,
    rows.flatMap((row) => newsOf(row, list)),
    now,
  );
  await countOpen(
    tx,
    rows.map((row) => ({
      ...{ siteId: row.siteId, rule: row.rule },
      by: Number(list === 'open') - Number(row.list === 'open'),
    })),
  );
}

/* What is worth telling where a finding comes to another list: that it is to be looked at, or is solved. */
function newsOf({ id, list: before, siteId, rank }: FindingRow, list: FindingList): NewNews[] {
  const news = { findingId: id, siteId, rank };
  if (list === before) return [];
  if (list === 'open') return [{ kind: before === 'later' ? 'due' : 'found', ...news }];
  return list === 'solved' && before !== 'muted' ? [{ kind: 'solved', ...news }] : [];
}

/** The findings with these ids, locked; those that are none are left out. Call it in a transaction. */
export const lockFindings = (tx: Handle, publicIds: readonly string[]): Promise<FindingRow[]> =>
  tx
    .select()
    .from(finding)
    .where(inArray(finding.publicId, [...publicIds]))
    .orderBy(asc(finding.id))
    .for('update');

/** The collection has the code of a finding from now on. Call it in a transaction. */
export const forgetCode = async (tx: Handle, { id }: Pick<FindingRow, 'id'>): Promise<void> =>
  void (await tx.update(finding).set({ code: null }).where(eq(finding.id, id)));

/* So many are woken at once; the others soon after. */
const together = 200;

/** Findings that have waited long enough are open again, as if they were new. Call it in a transaction. */
export async function wakeFindings(tx: Handle, now: Date): Promise<void> {
  const due = and(eq(finding.list, 'later'), lte(finding.until, now));
  const rows = await tx.select().from(finding).where(due).limit(together).for('update');
  const woken = { list: 'open' as const, isNew: true, until: null, reason: '' };
  await decide(tx, rows, woken, { by: null, now });
}

/** The scopes at which a finding is found, the first of them. */
export const scopesOf = async (db: Handle, id: number, limit: number): Promise<string[]> =>
  (
    await db
      .select({ scope: findingAt.scope })
      .from(findingAt)
      .where(eq(findingAt.findingId, id))
      .orderBy(asc(findingAt.scope))
      .limit(limit)
  ).map(({ scope }) => scope);

/** The pages among scopes. */
export const pagesIn = (scopes: readonly string[]): number[] =>
  scopes.flatMap((scope) => (scope.startsWith('page:') ? [Number(scope.slice('page:'.length))] : []));

/** What a rule found on a page, and is there still. */
export const foundAt = async (db: Handle, scope: string, rule: string): Promise<FindingRow[]> =>
  (
    await db
      .select({ finding })
      .from(findingAt)
      .innerJoin(finding, eq(finding.id, findingAt.findingId))
      .where(and(eq(findingAt.scope, scope), eq(finding.rule, rule)))
  ).map((row) => row.finding);
