import { and, desc, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { prepared } from '../database/prepared.ts';
import { digest } from '../digest.ts';
import { newPublicId, newSecret } from './ids.ts';
import { afterId } from './pages.ts';
import { noteSeen } from './people.ts';
import { person, token } from './schema.ts';
import { factorColumns } from './second-factors.ts';
import type { Known } from './sessions.ts';

export type TokenRow = typeof token.$inferSelect;

/** What a token is to be good for. */
export interface NewToken {
  name: string;
  access: TokenRow['access'];
  /** For how many days. */
  days: number;
}

const day = 86_400_000;
const minute = 60_000;

/** Makes a token and gives its secret, of which only the hash is kept. */
export async function makeToken(
  db: Handle,
  personId: number,
  { name, access, days }: NewToken,
  now: Date,
): Promise<{ row: TokenRow; secret: string }> {
  const secret = `orbis_${newSecret()}`;
  const publicId = newPublicId();
  await db.insert(token).values({
    publicId,
    personId,
    name,
    access,
    hash: digest(secret),
    createdAt: now,
    expiresAt: new Date(now.getTime() + days * day),
  });
  const [row] = await db.select().from(token).where(eq(token.publicId, publicId));
  return { row: row!, secret };
}

const tokenWith = prepared((db) =>
  db
    .select({ person, token, ...factorColumns })
    .from(token)
    .innerJoin(person, eq(person.id, token.personId))
    .where(
      and(
        eq(token.hash, sql.placeholder('hash')),
        isNull(token.revokedAt),
        gt(token.expiresAt, sql.placeholder('now')),
      ),
    )
    .prepare(),
);

/** Whose token it is, and what it is good for; its use is written down to the minute. */
export async function personOfToken(
  db: Handle,
  secret: string,
  address: string,
  now: Date,
): Promise<(Known & { access: TokenRow['access'] }) | null> {
  const [row] = await tokenWith(db).execute({ hash: digest(secret), now });
  if (!row || row.person.removedAt !== null) return null;
  const { lastUsedAt, lastUsedFrom } = row.token;
  if (!lastUsedAt || lastUsedFrom !== address || now.getTime() - lastUsedAt.getTime() > minute)
    await Promise.all([
      db.update(token).set({ lastUsedAt: now, lastUsedFrom: address }).where(eq(token.id, row.token.id)),
      noteSeen(db, row.person.id, now),
    ]);
  return { person: row.person, access: row.token.access, mustSetUp: row.isDemanded && !row.has };
}

/** The tokens of somebody that were not revoked, newest first; also those whose time is over. */
export async function listTokens(
  db: Handle,
  personId: number,
  limit: number,
  after: string | undefined,
): Promise<TokenRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(token)
    .where(
      and(
        eq(token.personId, personId),
        isNull(token.revokedAt),
        from === null ? undefined : lt(token.id, from),
      ),
    )
    .orderBy(desc(token.id))
    .limit(limit + 1);
}

/** False where there is no such token. */
export async function revokeToken(
  db: Handle,
  personId: number,
  publicId: string,
  now: Date,
): Promise<boolean> {
  const [result] = await db
    .update(token)
    .set({ revokedAt: now })
    .where(and(eq(token.publicId, publicId), eq(token.personId, personId), isNull(token.revokedAt)));
  return result.affectedRows === 1;
}

/** How many tokens of somebody are good. */
export const countTokens = (db: Handle, personId: number, now: Date): Promise<number> =>
  db.$count(token, and(eq(token.personId, personId), isNull(token.revokedAt), gt(token.expiresAt, now)));

/** Revokes all tokens of somebody; how many were still good. */
export async function revokeTokens(db: Handle, personId: number, now: Date): Promise<number> {
  const [result] = await db
    .update(token)
    .set({ revokedAt: now })
    .where(and(eq(token.personId, personId), isNull(token.revokedAt), gt(token.expiresAt, now)));
  return result.affectedRows;
}
