import { and, desc, eq, gt, isNull, lt } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest, newPublicId, newSecret } from './ids.ts';
import { link, person, session, token } from './schema.ts';
import { afterId } from './pages.ts';

export type Person = typeof person.$inferSelect;
export type TokenRow = typeof token.$inferSelect;

const sessionDays = 30;

/** The owner: made, without a password, the first time that anybody asks. */
export async function owner(db: Handle, now: Date): Promise<Person> {
  const [first] = await db.select().from(person).orderBy(person.id).limit(1);
  if (first) return first;
  // Two processes that start at once make the same row.
  await db.insert(person).ignore().values({ id: 1, name: 'Owner', createdAt: now });
  const [made] = await db.select().from(person).orderBy(person.id).limit(1);
  return made!;
}

/** Makes a one-time link's secret. Earlier unused links of the same purpose lose their force. */
export async function makeLink(db: Handle, personId: number, purpose: 'password' | 'sign-in', minutes: number, now: Date): Promise<string> {
  const secret = newSecret();
  await db
    .update(link)
    .set({ usedAt: now })
    .where(and(eq(link.personId, personId), eq(link.purpose, purpose), isNull(link.usedAt)));
  await db.insert(link).values({ hash: digest(secret), personId, purpose, createdAt: now, expiresAt: new Date(now.getTime() + minutes * 60_000) });
  return secret;
}

/** Uses up a link; null where it is not known, is of another purpose, was used, or has run out. */
export async function useLink(db: Handle, secret: string, purpose: 'password' | 'sign-in', now: Date): Promise<number | null> {
  const hash = digest(secret);
  const [result] = await db
    .update(link)
    .set({ usedAt: now })
    .where(and(eq(link.hash, hash), eq(link.purpose, purpose), isNull(link.usedAt), gt(link.expiresAt, now)));
  if (result.affectedRows !== 1) return null;
  const [row] = await db.select().from(link).where(eq(link.hash, hash));
  return row?.personId ?? null;
}

export async function setPassword(db: Handle, personId: number, passwordHash: string, name: string | undefined): Promise<void> {
  await db
    .update(person)
    .set({ passwordHash, ...(name ? { name } : {}) })
    .where(eq(person.id, personId));
  // A new password ends what was begun with the old one.
  await db.delete(session).where(eq(session.personId, personId));
}

/** Opens a session and gives its secret, for the cookie. */
export async function openSession(db: Handle, personId: number, now: Date): Promise<{ secret: string; expiresAt: Date }> {
  const secret = newSecret();
  const expiresAt = new Date(now.getTime() + sessionDays * 86_400_000);
  await db.delete(session).where(lt(session.expiresAt, now));
  await db.insert(session).values({ hash: digest(secret), personId, createdAt: now, expiresAt });
  return { secret, expiresAt };
}

export async function personOfSession(db: Handle, secret: string, now: Date): Promise<Person | null> {
  const [row] = await db
    .select({ person })
    .from(session)
    .innerJoin(person, eq(person.id, session.personId))
    .where(and(eq(session.hash, digest(secret)), gt(session.expiresAt, now)));
  return row?.person ?? null;
}

export const closeSession = async (db: Handle, secret: string): Promise<void> => void (await db.delete(session).where(eq(session.hash, digest(secret))));

export async function makeToken(db: Handle, personId: number, name: string, now: Date): Promise<{ row: TokenRow; secret: string }> {
  const secret = `orbis_${newSecret()}`;
  const publicId = newPublicId();
  await db.insert(token).values({ publicId, personId, name, hash: digest(secret), createdAt: now });
  const [row] = await db.select().from(token).where(eq(token.publicId, publicId));
  return { row: row!, secret };
}

export async function personOfToken(db: Handle, secret: string, now: Date): Promise<Person | null> {
  const [row] = await db
    .select({ person, token })
    .from(token)
    .innerJoin(person, eq(person.id, token.personId))
    .where(and(eq(token.hash, digest(secret)), isNull(token.revokedAt)));
  if (!row) return null;
  // To the minute is enough, and spares a write at every request.
  if (!row.token.lastUsedAt || now.getTime() - row.token.lastUsedAt.getTime() > 60_000) await db.update(token).set({ lastUsedAt: now }).where(eq(token.id, row.token.id));
  return row.person;
}

export async function listTokens(db: Handle, personId: number, limit: number, after: string | undefined): Promise<TokenRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(token)
    .where(and(eq(token.personId, personId), isNull(token.revokedAt), from === null ? undefined : lt(token.id, from)))
    .orderBy(desc(token.id))
    .limit(limit + 1);
}

/** False where there is no such token. */
export async function revokeToken(db: Handle, personId: number, publicId: string, now: Date): Promise<boolean> {
  const [result] = await db
    .update(token)
    .set({ revokedAt: now })
    .where(and(eq(token.publicId, publicId), eq(token.personId, personId), isNull(token.revokedAt)));
  return result.affectedRows === 1;
}
