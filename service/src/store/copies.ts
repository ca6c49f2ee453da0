import { and, desc, eq, inArray, isNotNull, lt, sql } from 'drizzle-orm';
import type { CopyState } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { newPublicId } from './ids.ts';
import { afterId } from './pages.ts';
import { changeLog, copy, job } from './schema.ts';

export type CopyRow = typeof copy.$inferSelect;

/** What a new copy is to be. */
export interface NewCopy {
  folder: string;
  encrypted: boolean;
  /** The moment for which it is due; null where somebody asks for it. */
  slot: Date | null;
  by: number | null;
  now: Date;
}

/* One is made at a time, by whichever process. */
const exclusiveKey = digest('copy');

/**
 * Writes down that a copy is to be made. Call it in a transaction.
 * @throws the driver’s duplicate-key error where one is being made, or was made for that moment.
 */
export async function insertCopy(
  tx: Handle,
  { folder, encrypted, slot, by, now }: NewCopy,
): Promise<CopyRow> {
  const publicId = newPublicId();
  const made = { createdAt: now, createdBy: by };
  const [{ insertId: jobId }] = await tx
    .insert(job)
    .values({ publicId, kind: 'copy', exclusiveKey, ...made });
  await tx.insert(copy).values({ publicId, jobId, slot, state: 'waiting', folder, encrypted, ...made });
  return (await copyOfJob(tx, jobId))!;
}

/** A copy that was made at the server’s own machine. */
export const insertMadeCopy = async (
  db: Handle,
  values: Pick<
    CopyRow,
    'folder' | 'name' | 'encrypted' | 'madeAt' | 'bytes' | 'rows' | 'files' | 'readBackAt'
  >,
  now: Date,
): Promise<void> =>
  void (await db.insert(copy).values({
    ...values,
    publicId: newPublicId(),
    state: values.readBackAt === null ? 'unread' : 'good',
    createdAt: now,
  }));

export async function copyOfJob(db: Handle, jobId: number): Promise<CopyRow | null> {
  const [row] = await db.select().from(copy).where(eq(copy.jobId, jobId));
  return row ?? null;
}

export const changeCopy = async (
  db: Handle,
  id: number,
  values: Partial<
    Pick<CopyRow, 'state' | 'name' | 'madeAt' | 'bytes' | 'rows' | 'files' | 'readBackAt' | 'why'>
  >,
): Promise<void> => void (await db.update(copy).set(values).where(eq(copy.id, id)));

/** The newest first, with one row more where there is more. */
export function listCopies(db: Handle, limit: number, after: string | undefined): Promise<CopyRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(copy)
    .where(from === null ? undefined : lt(copy.id, from))
    .orderBy(desc(copy.id))
    .limit(limit + 1);
}

/** The newest copy in one of these states, by the moment of which it is. */
export async function newestCopy(db: Handle, states: readonly CopyState[]): Promise<CopyRow | null> {
  const newest = await Promise.all(
    states.map((state) =>
      db
        .select()
        .from(copy)
        .where(and(eq(copy.state, state), isNotNull(copy.madeAt)))
        .orderBy(desc(copy.madeAt))
        .limit(1),
    ),
  );
  return newest.flat().sort((a, b) => b.madeAt!.getTime() - a.madeAt!.getTime())[0] ?? null;
}

/** The copy that was begun last. */
export async function lastCopy(db: Handle): Promise<CopyRow | null> {
  const [row] = await db.select().from(copy).orderBy(desc(copy.id)).limit(1);
  return row ?? null;
}

/** The moment for which a copy was made or begun last; null for none. */
export async function lastSlot(db: Handle): Promise<Date | null> {
  const [row] = await db
    .select({ slot: copy.slot })
    .from(copy)
    .where(isNotNull(copy.slot))
    .orderBy(desc(copy.slot))
    .limit(1);
  return row?.slot ?? null;
}

/** Forgets the copies of a folder whose files went, and failed ones from before some time. */
export async function forgetCopies(
  db: Handle,
  folder: string,
  names: readonly string[],
  failedBefore: Date,
): Promise<void> {
  if (names.length > 0)
    await db.delete(copy).where(and(eq(copy.folder, folder), inArray(copy.name, [...names])));
  await db.delete(copy).where(and(eq(copy.state, 'failed'), lt(copy.createdAt, failedBefore)));
}

/** The newest change that there is, by its row; 0 for none. */
export async function lastChangeId(db: Handle): Promise<number> {
  const [row] = await db.select({ id: sql<number>`max(${changeLog.id})`.mapWith(Number) }).from(changeLog);
  return row?.id ?? 0;
}
