import { and, desc, eq, gt, ne, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { finding, findingCount, site } from './schema.ts';

/** So many findings of a rule are open more, or fewer. */
export interface OpenChange {
  /** Null where they are of no site. */
  siteId: number | null;
  rule: string;
  by: number;
}

/* What stands for all sites together, and for all rules. */
const all = 0;
const anyRule = '';

/**
 * Counts findings that were opened, or are open no more: by their site, and in all. Call it last in a
 * transaction, as many count there.
 */
export async function countOpen(tx: Handle, changes: readonly OpenChange[]): Promise<void> {
  const sums = new Map<string, OpenChange & { siteId: number }>();
  for (const { siteId, rule, by } of changes)
    for (const of of siteId === null ? [all] : [siteId, all])
      for (const each of [rule, anyRule]) {
        const key = `${each} ${of}`;
        sums.set(key, { siteId: of, rule: each, by: (sums.get(key)?.by ?? 0) + by });
      }
  // In one order, so that nobody waits for somebody who waits for them.
  const rows = [...sums]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([, row]) => (row.by === 0 ? [] : [row]));
  for (const { siteId, rule, by } of rows)
    await tx
      .insert(findingCount)
      .values({ siteId, rule, open: by })
      .onDuplicateKeyUpdate({ set: { open: sql`${findingCount.open} + ${by}` } });
}

/** How many findings are open, of all rules and on all sites. */
export async function countAllOpen(db: Handle): Promise<number> {
  const [row] = await db
    .select({ open: findingCount.open })
    .from(findingCount)
    .where(and(eq(findingCount.siteId, all), eq(findingCount.rule, anyRule)));
  return row?.open ?? 0;
}

/** How many findings of each rule are open. */
export const openByRule = (db: Handle): Promise<{ rule: string; count: number }[]> =>
  db
    .select({ rule: findingCount.rule, count: findingCount.open })
    .from(findingCount)
    .where(and(eq(findingCount.siteId, all), ne(findingCount.rule, anyRule), gt(findingCount.open, 0)))
    .orderBy(desc(findingCount.open), findingCount.rule);

/** The sites where most are open, of a rule or in all. */
export const openBySite = (
  db: Handle,
  rule: string | undefined,
  limit: number,
): Promise<{ site: string; name: string; count: number }[]> =>
  db
    .select({ site: site.key, name: site.name, count: findingCount.open })
    .from(findingCount)
    .innerJoin(site, eq(site.id, findingCount.siteId))
    .where(
      and(eq(findingCount.rule, rule ?? anyRule), gt(findingCount.open, 0), ne(findingCount.siteId, all)),
    )
    .orderBy(desc(findingCount.open))
    .limit(limit);

/** How many are open of a level, counted up to a limit. */
export async function countOfRank(db: Handle, rank: number, limit: number): Promise<number> {
  const first = db
    .select({ id: finding.id })
    .from(finding)
    .where(and(eq(finding.list, 'open'), eq(finding.rank, rank)))
    .limit(limit)
    .as('of_rank');
  const [row] = await db.select({ count: sql<number>`count(*)`.mapWith(Number) }).from(first);
  return row!.count;
}
