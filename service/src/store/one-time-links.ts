import { and, desc, eq, gt, inArray, isNull } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { newSecret } from './ids.ts';
import type { Person } from './people.ts';
import { link, person } from './schema.ts';

type Purpose = (typeof link.$inferSelect)['purpose'];

/** Makes a one-time link's secret. Earlier unused links of the same purpose lose their force. */
export async function makeLink(
  db: Handle,
  personId: number,
  purpose: Purpose,
  { minutes, now }: { minutes: number; now: Date },
): Promise<{ secret: string; expiresAt: Date }> {
  const secret = newSecret();
  const expiresAt = new Date(now.getTime() + minutes * 60_000);
  await db
    .update(link)
    .set({ usedAt: now })
    .where(and(eq(link.personId, personId), eq(link.purpose, purpose), isNull(link.usedAt)));
  await db.insert(link).values({ hash: digest(secret), personId, purpose, createdAt: now, expiresAt });
  return { secret, expiresAt };
}

/* A link of somebody who was removed leads nowhere, unless it was made for them to come back. */
const holds = (secret: string, purpose: Purpose, now: Date) =>
  and(eq(link.hash, digest(secret)), eq(link.purpose, purpose), isNull(link.usedAt), gt(link.expiresAt, now));

/** Whose link it is, as long as it holds; it is not used up. */
export async function personOfLink(
  db: Handle,
  secret: string,
  purpose: Purpose,
  now: Date,
): Promise<{ person: Person; expiresAt: Date } | null> {
  const [row] = await db
    .select({ person, expiresAt: link.expiresAt })
    .from(link)
    .innerJoin(person, eq(person.id, link.personId))
    .where(holds(secret, purpose, now));
  return row ?? null;
}

/** Uses up a link; null where it is not known, is of another purpose, was used, or has run out. */
export async function useLink(
  db: Handle,
  secret: string,
  purpose: Purpose,
  now: Date,
): Promise<number | null> {
  const [result] = await db
    .update(link)
    .set({ usedAt: now })
    .where(holds(secret, purpose, now));
  if (result.affectedRows !== 1) return null;
  const [row] = await db
    .select()
    .from(link)
    .where(eq(link.hash, digest(secret)));
  return row?.personId ?? null;
}

/** Takes their force from all links of somebody that were not used. */
export const endLinks = (db: Handle, personId: number, now: Date): Promise<unknown> =>
  db
    .update(link)
    .set({ usedAt: now })
    .where(and(eq(link.personId, personId), isNull(link.usedAt)));

/** Until when these people have a link by which they can set a password, by their ids. */
export async function passwordLinksOf(
  db: Handle,
  ids: readonly number[],
  now: Date,
): Promise<Map<number, Date>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: link.personId, expiresAt: link.expiresAt })
    .from(link)
    .where(
      and(
        inArray(link.personId, [...ids]),
        eq(link.purpose, 'password'),
        isNull(link.usedAt),
        gt(link.expiresAt, now),
      ),
    )
    .orderBy(desc(link.expiresAt));
  return new Map(rows.map((row) => [row.id, row.expiresAt]));
}
