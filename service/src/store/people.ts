import { and, asc, desc, eq, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import type { PersonRole } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { newPublicId } from './ids.ts';
import { afterId } from './pages.ts';
import { changeLog, embed, person, placement } from './schema.ts';

export type Person = typeof person.$inferSelect;

/* The one that is made first has this id: so two processes that start at once make the same row. */
const first = 1;

/** The owner who was there first: made, without a password, the first time that anybody asks. */
export async function firstOwner(db: Handle, now: Date): Promise<Person> {
  const query = () =>
    db
      .select()
      .from(person)
      .where(and(eq(person.role, 'owner'), isNull(person.removedAt)))
      .orderBy(person.id)
      .limit(1);
  const [found] = await query();
  if (found) return found;
  await db
    .insert(person)
    .ignore()
    .values({ id: first, publicId: newPublicId(), name: 'Owner', role: 'owner', createdAt: now });
  const [made] = await query();
  return made!;
}

/** Those who can sign in with a password: so many of them at most. */
export const withPassword = (db: Handle, most: number): Promise<Person[]> =>
  db
    .select()
    .from(person)
    .where(and(isNotNull(person.passwordHash), isNull(person.removedAt)))
    .orderBy(person.id)
    .limit(most);

export async function personNamed(db: Handle, name: string): Promise<Person | null> {
  const [row] = await db.select().from(person).where(eq(person.name, name));
  return row ?? null;
}

export async function personById(db: Handle, id: number): Promise<Person | null> {
  const [row] = await db.select().from(person).where(eq(person.id, id));
  return row ?? null;
}

export async function findPerson(
  db: Handle,
  publicId: string,
  { lock = false }: { lock?: boolean } = {},
): Promise<Person | null> {
  const query = db.select().from(person).where(eq(person.publicId, publicId));
  const [row] = await (lock ? query.for('update') : query);
  return row ?? null;
}

/** Everybody, also who was removed, the newest first, with one row more where there is more. */
export function listPeople(db: Handle, limit: number, after: string | undefined): Promise<Person[]> {
  const from = afterId(after);
  return db
    .select()
    .from(person)
    .where(from === null ? undefined : lt(person.id, from))
    .orderBy(desc(person.id))
    .limit(limit + 1);
}

/** Who has one of these roles for everything and can sign in: so many of them, the first ones. */
export function peopleWith(
  db: Handle,
  roles: readonly PersonRole[],
  most: number,
  { lock = false }: { lock?: boolean } = {},
): Promise<Pick<Person, 'id' | 'name' | 'role'>[]> {
  const query = db
    .select({ id: person.id, name: person.name, role: person.role })
    .from(person)
    .where(and(inArray(person.role, [...roles]), isNull(person.removedAt), isNotNull(person.passwordHash)))
    .orderBy(asc(person.id))
    .limit(most);
  return lock ? query.for('update') : query;
}

/** Adds somebody, without a password. */
export async function insertPerson(
  tx: Handle,
  values: Pick<Person, 'name' | 'email' | 'role'>,
  { by, now }: Actor,
): Promise<Person> {
  const [{ insertId }] = await tx
    .insert(person)
    .values({ publicId: newPublicId(), ...values, createdAt: now, createdBy: by });
  return (await personById(tx, insertId))!;
}

/** Changes what is kept of somebody; false where somebody else did since. */
export async function changePerson(
  tx: Handle,
  { id, version }: Pick<Person, 'id' | 'version'>,
  values: Partial<Pick<Person, 'name' | 'email' | 'role' | 'removedAt' | 'passwordHash'>>,
): Promise<boolean> {
  const [result] = await tx
    .update(person)
    .set({ ...values, version: version + 1 })
    .where(and(eq(person.id, id), eq(person.version, version)));
  return result.affectedRows === 1;
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
  if (asked.length === 0) return new Map();
  const rows = await db
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(inArray(person.id, asked));
  return new Map(rows.map(({ id, name }) => [id, name]));
}

/** By what the interface knows these people, by the ids of their rows. */
export async function publicIdsOf(db: Handle, ids: readonly (number | null)[]): Promise<Map<number, string>> {
  const asked = [...new Set(ids)].filter((id) => id !== null);
  if (asked.length === 0) return new Map();
  const rows = await db
    .select({ id: person.id, publicId: person.publicId })
    .from(person)
    .where(inArray(person.id, asked));
  return new Map(rows.map(({ id, publicId }) => [id, publicId]));
}

export const setPassword = async (
  db: Handle,
  personId: number,
  passwordHash: string,
  name?: string,
): Promise<void> =>
  void (await db
    .update(person)
    .set({ passwordHash, removedAt: null, ...(name ? { name } : {}) })
    .where(eq(person.id, personId)));

/** Writes down that somebody did something just now. */
export const noteSeen = (db: Handle, personId: number, now: Date): Promise<unknown> =>
  db.update(person).set({ seenAt: now }).where(eq(person.id, personId));

/** How much somebody has made, each counted up to a limit. */
export async function countMadeBy(
  db: Handle,
  personId: number,
  most: number,
): Promise<{ embeds: number; placements: number; changes: number }> {
  const count = async (table: typeof embed | typeof placement | typeof changeLog): Promise<number> => {
    const some = db
      .select({ id: table.id })
      .from(table)
      .where(eq(table.createdBy, personId))
      .limit(most)
      .as('some');
    const [row] = await db.select({ count: sql<number>`count(*)`.mapWith(Number) }).from(some);
    return row!.count;
  };
  const [embeds, placements, changes] = await Promise.all([embed, placement, changeLog].map(count));
  return { embeds: embeds!, placements: placements!, changes: changes! };
}
