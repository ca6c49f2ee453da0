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
/* So long after one that failed it is tried again, in milliseconds. */
const again = 3_600_000;

/* In these states a copy counts. */
const good = { each: ['good'], weekly: ['good', 'unread'], never: ['good', 'unread'] } as const;

/** Whether copies are made, when, and how old the last good one is. */
export async function tellCopyStanding(db: Handle, plan: CopyPlan | null, now: Date): Promise<CopyStanding> {
  const [newest, last] = await Promise.all([lastCopy(db), newestCopy(db, good[plan?.readBack ?? 'each'])]);
  return {
    standing: standingOf(plan, { newest, last }, now),
    lastAt: last?.madeAt?.toISOString() ?? null,
    lastReadBack: last?.state === 'good',
    ...(plan === null ? unplanned : planned(plan, newest, now)),
  };
}

const unplanned = {
  ...{ folder: null, at: null, keep: null, nextAt: null },
  ...{ encrypted: false, readBack: 'each' as const },
};

const planned = (
  { folder, at, keep, recipients, readBack }: CopyPlan,
  newest: CopyRow | null,
  now: Date,
) => ({
  ...{ folder, keep, readBack },
  at: `${two(at.hour)}:${two(at.minute)}`,
  encrypted: recipients.length > 0,
  nextAt: earlier(nextDue(at, now), againAt(newest)).toISOString(),
});

/* When one is tried again that failed; null where the newest did not. */
const againAt = (newest: CopyRow | null): Date | null =>
  newest?.state === 'failed' ? new Date(newest.createdAt.getTime() + again) : null;

const earlier = (due: Date, other: Date | null): Date => (other !== null && other < due ? other : due);

const two = (n: number): string => String(n).padStart(2, '0');

function standingOf(
  plan: CopyPlan | null,
  { newest, last }: Record<'newest' | 'last', CopyRow | null>,
  now: Date,
): CopyStanding['standing'] {
  if (plan === null) return 'off';
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

/**
 * Writes down that a copy is to be made, where it is time for one and no process has done so: once a day, and
 * an hour after one that failed.
 */
export async function beginDueCopy(db: Database, plan: CopyPlan, now: Date): Promise<void> {
  const slot = await slotOf(db, plan, now);
  if (slot === null) return;
  const wish = { folder: plan.folder, encrypted: plan.recipients.length > 0, slot, by: null, now };
  try {
    await inTransaction(db, (tx) => insertCopy(tx, wish));
  } catch (error) {
    // Another process was faster, or one is being made that somebody asked for: then it is looked at again.
    if (!isDuplicate(error)) throw error;
  }
}

/* The moment for which one is due now, the same one for every process; null for none. */
async function slotOf(db: Database, { at }: CopyPlan, now: Date): Promise<Date | null> {
  const [daily, done] = [lastDue(at, now), await lastSlot(db)];
  if (done === null || done < daily) return daily;
  const retry = againAt(await lastCopy(db));
  return retry !== null && retry <= now ? retry : null;
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
