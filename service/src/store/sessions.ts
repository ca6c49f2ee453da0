import { and, desc, eq, gt, lt, ne, or, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { prepared } from '../database/prepared.ts';
import { digest } from '../digest.ts';
import { newPublicId, newSecret } from './ids.ts';
import { afterId } from './pages.ts';
import { noteSeen, type Person } from './people.ts';
import { person, session } from './schema.ts';
import { factorColumns } from './second-factors.ts';

export type SessionRow = typeof session.$inferSelect;

/** Where somebody is, and with what. */
export interface Whereabouts {
  address: string;
  agent: string;
}

/** Days: a session ends when it was not used for so long, and in any case after so long. */
const sessionDays = { idle: 7, most: 30 };

const day = 86_400_000;
const minute = 60_000;

const idleSince = (now: Date): Date => new Date(now.getTime() - sessionDays.idle * day);

/** Opens a session and gives its secret, for the cookie. The one that it takes the place of ends. */
export async function openSession(
  db: Handle,
  { personId, withFactor }: { personId: number; withFactor: boolean },
  { address, agent }: Whereabouts,
  replaced: string | null,
  now: Date,
): Promise<{ secret: string; expiresAt: Date }> {
  const secret = newSecret();
  const expiresAt = new Date(now.getTime() + sessionDays.most * day);
  await db
    .delete(session)
    .where(
      or(
        lt(session.expiresAt, now),
        lt(session.usedAt, idleSince(now)),
        replaced === null ? undefined : eq(session.hash, digest(replaced)),
      ),
    );
  await db.insert(session).values({
    hash: digest(secret),
    publicId: newPublicId(),
    personId,
    createdAt: now,
    usedAt: now,
    expiresAt,
    address,
    agent: agent.slice(0, 200),
    withFactor,
  });
  return { secret, expiresAt };
}

const sessionWith = prepared((db) =>
  db
    .select({ person, session, ...factorColumns })
    .from(session)
    .innerJoin(person, eq(person.id, session.personId))
    .where(
      and(
        eq(session.hash, sql.placeholder('hash')),
        gt(session.expiresAt, sql.placeholder('now')),
        gt(session.usedAt, sql.placeholder('idle')),
      ),
    )
    .prepare(),
);

/** Somebody who asks by a session or a token. */
export interface Known {
  person: Person;
  /** Whether a second factor is demanded of them, and they have none. */
  mustSetUp: boolean;
}

/**
 * Whose session it is, as long as it lasts; its use is written down to the minute. One that was opened with a
 * password alone lasts no longer where a second factor is demanded of somebody who has one.
 */
export async function personOfSession(
  db: Handle,
  secret: string,
  { address }: Whereabouts,
  now: Date,
): Promise<Known | null> {
  const hash = digest(secret);
  const [row] = await sessionWith(db).execute({ hash, now, idle: idleSince(now) });
  if (!row || row.person.removedAt !== null) return null;
  if (row.isDemanded && row.has && !row.session.withFactor) return null;
  if (now.getTime() - row.session.usedAt.getTime() > minute)
    await Promise.all([
      db.update(session).set({ usedAt: now, address }).where(eq(session.hash, hash)),
      noteSeen(db, row.person.id, now),
    ]);
  return { person: row.person, mustSetUp: row.isDemanded && !row.has };
}

/** Writes down that a second factor was given in this session. */
export const noteFactor = async (db: Handle, secret: string): Promise<void> =>
  void (await db
    .update(session)
    .set({ withFactor: true })
    .where(eq(session.hash, digest(secret))));

/** The sessions of somebody that have not ended, newest first. */
export async function listSessions(
  db: Handle,
  personId: number,
  now: Date,
  limit: number,
  after: string | undefined,
): Promise<SessionRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(session)
    .where(
      and(
        eq(session.personId, personId),
        gt(session.expiresAt, now),
        gt(session.usedAt, idleSince(now)),
        from === null ? undefined : lt(session.createdAt, new Date(from)),
      ),
    )
    .orderBy(desc(session.createdAt))
    .limit(limit + 1);
}

export const closeSession = async (db: Handle, secret: string): Promise<void> =>
  void (await db.delete(session).where(eq(session.hash, digest(secret))));

/** False where there is no such session. */
export async function endSession(db: Handle, personId: number, publicId: string): Promise<boolean> {
  const [result] = await db
    .delete(session)
    .where(and(eq(session.publicId, publicId), eq(session.personId, personId)));
  return result.affectedRows === 1;
}

/** Ends all sessions of somebody but the one with this secret; how many there were. */
export async function endSessions(db: Handle, personId: number, but: string | null): Promise<number> {
  const [result] = await db
    .delete(session)
    .where(and(eq(session.personId, personId), but === null ? undefined : ne(session.hash, digest(but))));
  return result.affectedRows;
}

/** How many sessions of somebody have not ended. */
export async function countSessions(db: Handle, personId: number, now: Date): Promise<number> {
  const rows = await listSessions(db, personId, now, mostCounted, undefined);
  return rows.length;
}
const mostCounted = 1000;

/** Whether a session is the one with this secret. */
export const isSession = (row: SessionRow, secret: string | null): boolean =>
  secret !== null && row.hash === digest(secret);
