import { and, eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { insertMany } from './insert-many.ts';
import { recoveryCode } from './schema.ts';

/** How many recovery codes of somebody were not used. */
export const countRecoveryCodes = async (db: Handle, personId: number): Promise<number> =>
  (await db.select({ hash: recoveryCode.hash }).from(recoveryCode).where(eq(recoveryCode.personId, personId)))
    .length;

/** Keeps these in the place of all that there were. Call it in a transaction. */
export async function replaceRecoveryCodes(
  tx: Handle,
  personId: number,
  codes: readonly string[],
  now: Date,
): Promise<void> {
  await tx.delete(recoveryCode).where(eq(recoveryCode.personId, personId));
  await insertMany(
    tx,
    recoveryCode,
    codes.map((code) => ({ personId, hash: digest(code), createdAt: now })),
  );
}

/** Uses up a recovery code; false where it is none of somebody’s, or was used. */
export async function useRecoveryCode(db: Handle, personId: number, code: string): Promise<boolean> {
  const [result] = await db
    .delete(recoveryCode)
    .where(and(eq(recoveryCode.personId, personId), eq(recoveryCode.hash, digest(code))));
  return result.affectedRows === 1;
}
