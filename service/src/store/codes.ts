import { and, eq, isNull, lt, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { codeSecret } from './schema.ts';

export type CodeSecret = typeof codeSecret.$inferSelect;

/** The secret of somebody’s time-based codes, also one that was only begun with. */
export async function codeSecretOf(db: Handle, personId: number): Promise<CodeSecret | null> {
  const [row] = await db.select().from(codeSecret).where(eq(codeSecret.personId, personId));
  return row ?? null;
}

/** Begins with a secret, in the place of one that was begun with; false where codes are asked for already. */
export async function beginCodes(tx: Handle, personId: number, secret: string, now: Date): Promise<boolean> {
  await tx.delete(codeSecret).where(and(eq(codeSecret.personId, personId), isNull(codeSecret.since)));
  const [result] = await tx.insert(codeSecret).ignore().values({ personId, secret, begunAt: now });
  return result.affectedRows === 1;
}

/**
 * Uses the code of a step, which holds once; the first one has codes asked for from now on.
 * @returns false where that code or a later one was used already.
 */
export async function useStep(db: Handle, personId: number, step: number, now: Date): Promise<boolean> {
  const [result] = await db
    .update(codeSecret)
    .set({ lastStep: step, since: sql`coalesce(${codeSecret.since}, ${now})` })
    .where(and(eq(codeSecret.personId, personId), lt(codeSecret.lastStep, step)));
  return result.affectedRows === 1;
}

export const deleteCodes = async (tx: Handle, personId: number): Promise<void> =>
  void (await tx.delete(codeSecret).where(eq(codeSecret.personId, personId)));
