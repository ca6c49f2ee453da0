import { and, asc, eq, isNull, lte, sql, type SQL } from 'drizzle-orm';
import type { Database, Handle } from '../database/connect.ts';
import type { ResourceRow } from './resources.ts';
import { askedHost, databaseNow, resource, sweptHost } from './schema.ts';
import { hostIsFree, takeHost, type HeldHost } from './sweep-turns.ts';

/* So many hosts are looked at; another process may take one of them in between. */
const candidates = 20;

/**
 * Takes a host that something is to be asked of, that nobody reads from, and that may be asked; null where
 * there is none. Sweeps hold the same hosts: nobody is asked by both at once.
 */
export async function claimHostToAsk(db: Database, owner: string): Promise<HeldHost | null> {
  const found = await db
    .select({ id: sweptHost.id, name: sweptHost.name })
    .from(askedHost)
    .innerJoin(sweptHost, eq(sweptHost.id, askedHost.hostId))
    .where(and(lte(askedHost.dueAt, databaseNow), hostIsFree))
    .orderBy(asc(askedHost.dueAt))
    .limit(candidates);
  for (const host of found) if (await takeHost(db, host, owner)) return host;
  return null;
}

/**
 * What a host is asked for next: what somebody wants to know now, then what is due.
 * @param itself whether anything is asked for that nobody wants to know now.
 * @returns null where there is nothing.
 */
export async function nextResource(
  db: Handle,
  { id }: HeldHost,
  itself: boolean,
): Promise<ResourceRow | null> {
  for (const byHand of itself ? [1, 0] : [1]) {
    const [row] = await db
      .select()
      .from(resource)
      .where(and(eq(resource.hostId, id), eq(resource.byHand, byHand), lte(resource.nextAt, databaseNow)))
      .orderBy(asc(resource.nextAt), asc(resource.id))
      .limit(1);
    if (row) return row;
  }
  return null;
}

/** When something of a host is due next, beside its rows as they are then. */
export const dueOf = (hostId: number, itself: boolean): SQL =>
  itself
    ? sql`(select min(${resource.nextAt}) from ${resource} where ${eq(resource.hostId, hostId)})`
    : sql`(select min(${resource.nextAt}) from ${resource}
        where ${and(eq(resource.hostId, hostId), eq(resource.byHand, 1))})`;

/** A host of which nothing is to be asked now waits until something is. */
export const restUntilDue = async (db: Handle, { id }: HeldHost, itself: boolean): Promise<void> =>
  void (await db
    .update(askedHost)
    .set({ dueAt: dueOf(id, itself) })
    .where(eq(askedHost.hostId, id)));

/** Hosts that nothing was asked of by itself are asked from now on. */
export const beginToAsk = async (db: Handle): Promise<void> =>
  void (await db.update(askedHost).set({ dueAt: databaseNow }).where(isNull(askedHost.dueAt)));
