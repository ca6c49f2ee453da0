import { and, asc, desc, eq, gt, gte, isNotNull, isNull, lt, lte } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { digest } from '../digest.ts';
import { isOneOf } from './one-of.ts';
import { audit, auditChain } from './schema.ts';

export type AuditRow = typeof audit.$inferSelect;
export type ChainRow = typeof auditChain.$inferSelect;

/** An act that is written down. */
export type NewAudit = Omit<
  AuditRow,
  'id' | 'number' | 'hash' | 'before' | 'after' | 'contents' | 'withheld' | 'changeId'
> & {
  before?: unknown;
  after?: unknown;
  changeId?: number;
};

/** The hash before the first entry. */
const beginning = '0'.repeat(64);

/* More of what something was is not kept, but its digest. */
const mostKept = 60_000;

/** Writes an act down, in its transaction where it has one. */
export function writeAudit(tx: Handle, { before, after, ...row }: NewAudit): Promise<unknown> {
  const texts = { said: row.said, before: textOf(before), after: textOf(after) };
  return tx.insert(audit).values({ ...row, ...texts, contents: contentsOf(texts) });
}

/** The digest of the texts of an entry. */
export const contentsOf = ({ said, before, after }: Pick<AuditRow, 'said' | 'before' | 'after'>): string =>
  digest(JSON.stringify([said, before, after]));

/** Takes the texts out of the entries of changes whose own were taken out; that they were made stays. */
export const withholdTexts = (tx: Handle, changeIds: readonly number[]): Promise<unknown> =>
  tx
    .update(audit)
    .set({ said: null, before: null, after: null, withheld: true })
    .where(isOneOf(audit.changeId, changeIds));

function textOf(value: unknown): string | null {
  if (value === undefined || value === null) return null;
  const text = JSON.stringify(value);
  return text.length <= mostKept ? text : JSON.stringify({ characters: text.length, digest: digest(text) });
}

/** The hash of an entry behind another one: of all that it says, its texts by their digest. */
export const hashOf = (before: string, number: number, row: AuditRow): string =>
  digest(
    JSON.stringify([
      ...[before, number, row.at.toISOString(), row.act, row.outcome, row.why, row.thing, row.personId],
      ...[row.who, row.means, row.network, row.times, row.contents],
    ]),
  );

/* So many entries get their numbers at once. */
const together = 200;

/**
 * Gives entries that have no number yet the next ones, with their hashes. Whoever does it holds the end of
 * the chain meanwhile, so that it never forks.
 */
export async function sealAudit(db: Database): Promise<void> {
  for (let more = true; more;) more = (await isAnyOpen(db)) && (await sealSome(db)) === together;
}

async function isAnyOpen(db: Handle): Promise<boolean> {
  const [row] = await db.select({ id: audit.id }).from(audit).where(isNull(audit.number)).limit(1);
  return row !== undefined;
}

async function sealSome(db: Database): Promise<number> {
  await db
    .insert(auditChain)
    .ignore()
    .values({ id: 1, number: 0, hash: beginning, droppedNumber: 0, droppedHash: beginning });
  return inTransaction(db, async (tx) => {
    const [chain] = await tx.select().from(auditChain).where(eq(auditChain.id, 1)).for('update');
    const rows = await tx
      .select()
      .from(audit)
      .where(isNull(audit.number))
      .orderBy(asc(audit.id))
      .limit(together);
    let { number, hash } = chain!;
    for (const row of rows) {
      number += 1;
      hash = hashOf(hash, number, row);
      await tx.update(audit).set({ number, hash }).where(eq(audit.id, row.id));
    }
    await tx.update(auditChain).set({ number, hash }).where(eq(auditChain.id, 1));
    return rows.length;
  });
}

/** Where the chain begins and ends; null where nothing was ever written. */
export async function readChain(db: Handle): Promise<ChainRow | null> {
  const [row] = await db.select().from(auditChain).where(eq(auditChain.id, 1));
  return row ?? null;
}

/** What the log is searched for. */
export interface AuditAsked {
  limit: number;
  before: number | null;
  personId?: number | undefined;
  /** One of these operations. */
  acts?: readonly string[] | undefined;
  thing?: string | undefined;
  outcome?: AuditRow['outcome'] | undefined;
}

/** Entries, the newest first, with one more where there is more. */
export async function listAudit(db: Handle, { acts, ...asked }: AuditAsked): Promise<AuditRow[]> {
  if (acts === undefined) return newest(db, asked);
  // Each operation from its own part of the index: all of them together have no order there.
  const rows = await Promise.all(acts.map((act) => newest(db, { ...asked, act })));
  return rows
    .flat()
    .sort((a, b) => b.id - a.id)
    .slice(0, asked.limit + 1);
}

const newest = (
  db: Handle,
  { limit, before, personId, act, thing, outcome }: Omit<AuditAsked, 'acts'> & { act?: string },
): Promise<AuditRow[]> =>
  db
    .select()
    .from(audit)
    .where(
      and(
        before === null ? undefined : lt(audit.id, before),
        personId === undefined ? undefined : eq(audit.personId, personId),
        act === undefined ? undefined : eq(audit.act, act),
        thing === undefined ? undefined : eq(audit.thing, thing),
        outcome === undefined ? undefined : eq(audit.outcome, outcome),
      ),
    )
    .orderBy(desc(audit.id))
    .limit(limit + 1);

/** Entries of the chain behind a number, in its order. */
export const auditAfter = (db: Handle, number: number, limit: number): Promise<AuditRow[]> =>
  db.select().from(audit).where(gt(audit.number, number)).orderBy(asc(audit.number)).limit(limit);

/* So many go at once. */
const goesAtOnce = 1000;

/** Drops what was done before a day, a part of it; the chain goes on behind it. */
export const dropOldAudit = (db: Database, until: Date): Promise<void> =>
  inTransaction(db, async (tx) => {
    const [chain] = await tx.select().from(auditChain).where(eq(auditChain.id, 1)).for('update');
    if (!chain) return;
    const rows = await tx
      .select({ number: audit.number, hash: audit.hash, at: audit.at })
      .from(audit)
      .where(and(isNotNull(audit.number), gte(audit.number, chain.droppedNumber)))
      .orderBy(asc(audit.number))
      .limit(goesAtOnce);
    const kept = rows.findIndex(({ at }) => at >= until);
    const last = rows[(kept === -1 ? rows.length : kept) - 1];
    if (!last) return;
    await tx.delete(audit).where(lte(audit.number, last.number!));
    await tx
      .update(auditChain)
      .set({ droppedNumber: last.number!, droppedHash: last.hash! })
      .where(eq(auditChain.id, 1));
  });
