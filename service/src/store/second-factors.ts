import { and, eq, inArray, isNotNull, sql } from 'drizzle-orm';
import type { DemandedOf } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { codeSecret, passkey, person, recoveryCode, security } from './schema.ts';

/* There is one row of what holds for everybody. */
const only = 1;

/** Of whom a second factor is demanded. */
export async function readDemand(db: Handle): Promise<DemandedOf> {
  const [row] = await db.select().from(security).where(eq(security.id, only));
  return row?.demandedOf ?? 'nobody';
}

export const writeDemand = async (tx: Handle, of: DemandedOf, now: Date): Promise<void> =>
  void (await tx
    .insert(security)
    .values({ id: only, demandedOf: of, changedAt: now })
    .onDuplicateKeyUpdate({ set: { demandedOf: of, changedAt: now } }));

/** What is asked for beside somebody’s row, in a query that joins {@link person} to another table. */
export const factorColumns = {
  /** Whether they have a second factor. */
  has: sql`(exists (select 1 from ${passkey} where ${passkey.personId} = ${person.id}) or exists (select 1 from ${codeSecret} where ${codeSecret.personId} = ${person.id} and ${codeSecret.since} is not null))`.mapWith(
    Boolean,
  ),
  isDemanded: sql`exists (select 1 from ${security} where ${security.demandedOf} = 'all')`.mapWith(Boolean),
};

/** By what somebody signs in beside their password. */
export interface Factors {
  codes: boolean;
  passkeys: number;
}

export async function factorsOf(db: Handle, personId: number): Promise<Factors> {
  const [codes, passkeys] = await Promise.all([
    db
      .select({ personId: codeSecret.personId })
      .from(codeSecret)
      .where(and(eq(codeSecret.personId, personId), isNotNull(codeSecret.since))),
    db.select({ id: passkey.id }).from(passkey).where(eq(passkey.personId, personId)),
  ]);
  return { codes: codes.length > 0, passkeys: passkeys.length };
}

/** Which of these people have a second factor, by their ids. */
export async function withFactors(db: Handle, ids: readonly number[]): Promise<Set<number>> {
  if (ids.length === 0) return new Set();
  const [codes, passkeys] = await Promise.all([
    db
      .select({ personId: codeSecret.personId })
      .from(codeSecret)
      .where(and(inArray(codeSecret.personId, [...ids]), isNotNull(codeSecret.since))),
    db
      .selectDistinct({ personId: passkey.personId })
      .from(passkey)
      .where(inArray(passkey.personId, [...ids])),
  ]);
  return new Set([...codes, ...passkeys].map(({ personId }) => personId));
}

/** Whether anybody signs in with a passkey. */
export const anybodyHasPasskey = async (db: Handle): Promise<boolean> =>
  (await db.select({ id: passkey.id }).from(passkey).limit(1)).length > 0;

/** Takes away all factors of somebody; what they had. */
export async function deleteFactors(tx: Handle, personId: number): Promise<Factors> {
  const had = await factorsOf(tx, personId);
  await tx.delete(passkey).where(eq(passkey.personId, personId));
  await tx.delete(codeSecret).where(eq(codeSecret.personId, personId));
  await tx.delete(recoveryCode).where(eq(recoveryCode.personId, personId));
  return had;
}
