import { inArray, lt, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { attempt } from './schema.ts';

/** What attempts are counted for, and how patient it is. */
export interface Scope {
  name: string;
  /** So many are let through without a pause. */
  free: number;
  /** The longest pause, in seconds. */
  longest: number;
}

/* Without a pause nothing is waited for, also not by one that began before and is counted later. */
const never = new Date(0);

/* After a day without an attempt it begins anew. */
const forgotten = 86_400_000;

/**
 * Counts an attempt before it is made, so that many at once count as many. After the free ones each has to
 * wait twice as long as the one before. Call it in a transaction.
 * @returns null where it may be made, else the seconds to wait.
 */
export async function countAttempt(tx: Handle, scopes: readonly Scope[], now: Date): Promise<number | null> {
  // In one order, so that two never wait for each other.
  for (const { name } of [...scopes].sort((a, b) => (a.name < b.name ? -1 : 1)))
    await tx.insert(attempt).ignore().values({ scope: name, count: 0, lastAt: now, blockedUntil: never });
  const names = scopes.map(({ name }) => name);
  const rows = new Map(
    (await tx.select().from(attempt).where(inArray(attempt.scope, names)).for('update')).map((row) => [
      row.scope,
      row,
    ]),
  );
  const waits = [...rows.values()]
    .map(({ blockedUntil }) => Math.ceil((blockedUntil.getTime() - now.getTime()) / 1000))
    .filter((seconds) => seconds > 0);
  if (waits.length > 0) return Math.max(...waits);
  for (const { name, free, longest } of scopes) {
    const row = rows.get(name)!;
    const count = (now.getTime() - row.lastAt.getTime() > forgotten ? 0 : row.count) + 1;
    const pause = count < free ? 0 : Math.min(longest, 2 ** (count - free));
    await tx
      .update(attempt)
      .set({ count, lastAt: now, blockedUntil: pause === 0 ? never : new Date(now.getTime() + pause * 1000) })
      .where(sql`${attempt.scope} = ${name}`);
  }
  return null;
}

/** Forgets what was counted: the attempt was right. */
export async function clearAttempts(db: Handle, scopes: readonly Scope[], now: Date): Promise<void> {
  await db.delete(attempt).where(
    inArray(
      attempt.scope,
      scopes.map(({ name }) => name),
    ),
  );
  await db.delete(attempt).where(lt(attempt.lastAt, new Date(now.getTime() - forgotten)));
}
