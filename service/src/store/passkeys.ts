import { and, asc, eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { newPublicId } from './ids.ts';
import type { Person } from './people.ts';
import { passkey, person } from './schema.ts';

export type PasskeyRow = typeof passkey.$inferSelect;

/** What is kept of a passkey that a browser has made. */
export type NewPasskey = Pick<
  PasskeyRow,
  'name' | 'credential' | 'publicKey' | 'counter' | 'transports' | 'synced'
>;

/** The passkeys of somebody, the oldest first. */
export const listPasskeys = (db: Handle, personId: number): Promise<PasskeyRow[]> =>
  db.select().from(passkey).where(eq(passkey.personId, personId)).orderBy(asc(passkey.id));

export async function insertPasskey(
  tx: Handle,
  personId: number,
  values: NewPasskey,
  now: Date,
): Promise<void> {
  await tx.insert(passkey).values({
    ...values,
    publicId: newPublicId(),
    personId,
    credentialHash: digest(values.credential),
    createdAt: now,
  });
}

/** A passkey by the id of its credential, with whose it is. */
export async function passkeyOf(
  db: Handle,
  credential: string,
): Promise<{ passkey: PasskeyRow; person: Person } | null> {
  const [row] = await db
    .select({ passkey, person })
    .from(passkey)
    .innerJoin(person, eq(person.id, passkey.personId))
    .where(eq(passkey.credentialHash, digest(credential)));
  return row ?? null;
}

/** Writes down that a passkey was used. */
export const notePasskeyUsed = async (
  tx: Handle,
  id: number,
  used: Pick<PasskeyRow, 'counter' | 'synced'>,
  now: Date,
): Promise<void> =>
  void (await tx
    .update(passkey)
    .set({ ...used, lastUsedAt: now })
    .where(eq(passkey.id, id)));

/** Forgets a passkey of somebody; what it was called, or null where there is none. */
export async function deletePasskey(tx: Handle, personId: number, publicId: string): Promise<string | null> {
  const its = and(eq(passkey.publicId, publicId), eq(passkey.personId, personId));
  const [row] = await tx.select().from(passkey).where(its);
  if (!row) return null;
  await tx.delete(passkey).where(its);
  return row.name;
}
