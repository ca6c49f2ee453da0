import { OrbisError, type Copy, type CopyStanding } from '@orbis/contract';
import type { CopyPlan } from '../copies/plan.ts';
import { lastDue, nextDue } from '../copies/schedule.ts';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertCopy, lastCopy, lastSlot, newestCopy, type CopyRow } from '../store/copies.ts';
import type { Actor } from '../store/embeds.ts';
import { namesOf } from '../store/people.ts';

const day = 86_400_000;

/* In these states a copy counts. */
const good = { each: ['good'], weekly: ['good', 'unread'], never: ['good', 'unread'] } as const;

/** Whether copies are made, when, and how old the last good one is. */
export async function tellCopyStanding(db: Handle, plan: CopyPlan | null, now: Date): Promise<CopyStanding> {
  const last = await newestCopy(db, good[plan?.readBack ?? 'each']);
  return {
    standing: await standingOf(db, plan, last, now),
    lastAt: last?.madeAt?.toISOString() ?? null,
    lastReadBack: last?.state === 'good',
    ...(plan === null ? unplanned : planned(plan, now)),
  };
}

const unplanned = {
  ...{ folder: null, at: null, keep: null, nextAt: null },
  ...{ encrypted: false, readBack: 'each' as const },
};

const planned = ({ folder, at, keep, recipients, readBack }: CopyPlan, now: Date) => ({
  ...{ folder, keep, readBack },
  at: `${two(at.hour)}:${two(at.minute)}`,
  encrypted: recipients.length > 0,
  nextAt: nextDue(at, now).toISOString(),
});

const two = (n: number): string => String(n).padStart(2, '0');

async function standingOf(
  db: Handle,
  plan: CopyPlan | null,
  last: CopyRow | null,
  now: Date,
): Promise<CopyStanding['standing']> {
  if (plan === null) return 'off';
  const newest = await lastCopy(db);
  if (newest?.state === 'failed') return 'failed';
  if (last === null) return 'none';
  return now.getTime() - last.madeAt!.getTime() > 2 * day ? 'late' : 'good';
}

/**
 * Has a copy made now.
 * @throws OrbisError `copies-off`, `copy-running`
 */
export async function askForCopy(db: Database, plan: CopyPlan | null, { by, now }: Actor): Promise<CopyRow> {
  if (plan === null) throw new OrbisError('copies-off');
  const wish = { folder: plan.folder, encrypted: plan.recipients.length > 0, slot: null, by, now };
  try {
    return await inTransaction(db, (tx) => insertCopy(tx, wish));
  } catch (error) {
    throw isDuplicate(error) ? new OrbisError('copy-running') : error;
  }
}

/** Writes down that a copy is to be made, where it is time for one and no process has done so. */
export async function beginDueCopy(db: Database, plan: CopyPlan, now: Date): Promise<void> {
  const slot = lastDue(plan.at, now);
  const done = await lastSlot(db);
  if (done !== null && done >= slot) return;
  const wish = { folder: plan.folder, encrypted: plan.recipients.length > 0, slot, by: null, now };
  try {
    await inTransaction(db, (tx) => insertCopy(tx, wish));
  } catch (error) {
    // Another process was faster, or one is being made that somebody asked for: then it is looked at again.
    if (!isDuplicate(error)) throw error;
  }
}

/** Copies with who asked for them. */
export async function tellCopies(db: Handle, rows: readonly CopyRow[]): Promise<Copy[]> {
  const names = await namesOf(
    db,
    rows.map(({ createdBy }) => createdBy),
  );
  return rows.map((row) => ({
    id: row.publicId,
    state: row.state,
    file: row.name === '' ? null : `${row.folder}/${row.name}`,
    encrypted: row.encrypted,
    createdAt: row.createdAt.toISOString(),
    createdBy: row.createdBy === null ? null : (names.get(row.createdBy) ?? null),
    madeAt: row.madeAt?.toISOString() ?? null,
    ...{ bytes: row.bytes, rows: row.rows, files: row.files },
    readBackAt: row.readBackAt?.toISOString() ?? null,
    why: row.why === '' ? null : row.why,
  }));
}
