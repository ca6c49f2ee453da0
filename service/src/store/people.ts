import { and, eq, gt, inArray, isNull } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { newSecret } from './ids.ts';
import { link, person } from './schema.ts';

export type Person = typeof person.$inferSelect;

/** The owner: made, without a password, the first time that anybody asks. */
export async function owner(db: Handle, now: Date): Promise<Person> {
  const [first] = await db.select().from(person).orderBy(person.id).limit(1);
  if (first) return first;
  // Two processes that start at once make the same row.
  await db.insert(person).ignore().values({ id: 1, name: 'Owner', createdAt: now });
  const [made] = await db.select().from(person).orderBy(person.id).limit(1);
  return made!;
}

/** What somebody is called; null for nobody. */
export async function personName(db: Handle, id: number | null): Promise<string | null> {
  if (id === null) return null;
  const [row] = await db.select({ name: person.name }).from(person).where(eq(person.id, id));
  return row?.name ?? null;
}

/** What these are called, by their ids. */
export async function namesOf(db: Handle, ids: readonly (number | null)[]): Promise<Map<number, string>> {
  const asked = [...new Set(ids)].filter((id) => id !== null);
  const rows = await db
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(inArray(person.id, asked));
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** Makes a one-time link's secret. Earlier unused links of the same purpose lose their force. */
export async function makeLink(
  db: Handle,
  personId: number,
  purpose: 'password' | 'sign-in',
  minutes: number,
  now: Date,
): Promise<string> {
  const secret = newSecret();
  await db
    .update(link)
    .set({ usedAt: now })
    .where(and(eq(link.personId, personId), eq(link.purpose, purpose), isNull(link.usedAt)));
  await db.insert(link).values({
    hash: digest(secret),
    personId,
    purpose,
    createdAt: now,
    expiresAt: new Date(now.getTime() + minutes * 60_000),
  });
  return secret;
}

/** Uses up a link; null where it is not known, is of another purpose, was used, or has run out. */
export async function useLink(
  db: Handle,
  secret: string,
  purpose: 'password' | 'sign-in',
  now: Date,
): Promise<number | null> {
  const hash = digest(secret);
  const [result] = await db
    .update(link)
    .set({ usedAt: now })
    .where(and(eq(link.hash, hash), eq(link.purpose, purpose), isNull(link.usedAt), gt(link.expiresAt, now)));
  if (result.affectedRows !== 1) return null;
  const [row] = await db.select().from(link).where(eq(link.hash, hash));
  return row?.personId ?? null;
}

export const setPassword = async (
  db: Handle,
  personId: number,
  passwordHash: string,
  name?: string,
): Promise<void> =>
  void (await db
    .update(person)
    .set({ passwordHash, ...(name ? { name } : {}) })
    .where(eq(person.id, personId)));
