import { and, asc, eq, exists, gt, isNull, lt, lte, notInArray, or, sql, type SQL } from 'drizzle-orm';
import type { Schedule } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { afterId } from './pages.ts';
import { channel, databaseNow, message, site } from './schema.ts';

export type ChannelRow = typeof channel.$inferSelect;

/** A channel with the key of the site that it is about. */
export interface ChannelOfSite {
  channel: ChannelRow;
  site: string | null;
}

/** What is kept of a channel under its name: all that brings it back once it was removed. */
export interface ChannelValues {
  kind: ChannelRow['kind'];
  to: string;
  secret: string;
  siteId: number | null;
  rank: number;
  schedule: Schedule | null;
  paused: boolean;
}

const columnsOf = ({ paused, ...values }: Partial<ChannelValues>, now: Date) => ({
  ...values,
  ...(paused !== undefined && { pausedAt: paused ? now : null }),
});

const withSite = (db: Handle) =>
  db.select({ channel, site: site.key }).from(channel).leftJoin(site, eq(site.id, channel.siteId)).$dynamic();

/** In the order in which they were made, one more than asked for. */
export const listChannels = (
  db: Handle,
  limit: number,
  after: string | undefined,
): Promise<ChannelOfSite[]> => {
  const from = afterId(after);
  return withSite(db)
    .where(from === null ? undefined : gt(channel.id, from))
    .orderBy(asc(channel.id))
    .limit(limit + 1);
};

export async function findChannel(db: Handle, name: string): Promise<ChannelOfSite | null> {
  const [row] = await withSite(db).where(eq(channel.name, name));
  return row ?? null;
}

/** The feed whose secret has this digest. */
export async function feedWith(db: Handle, secret: string): Promise<ChannelRow | null> {
  const feeds = await db.select().from(channel).where(eq(channel.kind, 'feed'));
  return feeds.find((row) => row.secret === secret) ?? null;
}

export async function countChannels(tx: Handle): Promise<number> {
  const rows = await tx.select({ id: channel.id }).from(channel).for('update');
  return rows.length;
}

export const insertChannel = async (
  tx: Handle,
  name: string,
  values: ChannelValues,
  { by, now }: Actor,
): Promise<void> =>
  void (await tx.insert(channel).values({
    name,
    rank: values.rank,
    kind: values.kind,
    ...columnsOf(values, now),
    createdAt: now,
    createdBy: by,
  }));

/** Changes what is named; false where somebody was faster. */
export async function changeChannel(
  tx: Handle,
  { id, version }: Pick<ChannelRow, 'id' | 'version'>,
  values: Partial<ChannelValues>,
  now: Date,
): Promise<boolean> {
  const [{ affectedRows }] = await tx
    .update(channel)
    // Whatever stood in its way may have been mended.
    .set({ ...columnsOf(values, now), version: version + 1, retryAt: null })
    .where(and(eq(channel.id, id), eq(channel.version, version)));
  return affectedRows === 1;
}

export const deleteChannel = (tx: Handle, { id }: Pick<ChannelRow, 'id'>): Promise<unknown> =>
  tx.delete(channel).where(eq(channel.id, id));

/** The channels that take news at the moment. */
export const openChannels = (db: Handle): Promise<ChannelRow[]> =>
  db.select().from(channel).where(isNull(channel.pausedAt)).orderBy(asc(channel.id));

/* Long enough for the slowest message, short enough that a killed process is soon replaced. */
const leaseSeconds = 60;
const inSeconds = (seconds: number): SQL =>
  sql`${databaseNow} + INTERVAL ${sql.raw(String(Math.ceil(seconds)))} SECOND`;
const isPast = (column: typeof channel.leaseUntil | typeof channel.retryAt): SQL | undefined =>
  or(isNull(column), lte(column, databaseNow));

/**
 * Takes a channel that has something to send and that nobody serves; null where there is none, else its id.
 * @param serving what this owner serves already; what else it holds, it could not let go of.
 */
export async function claimChannel(
  db: Database,
  owner: string,
  serving: readonly number[],
): Promise<number | null> {
  const isLeft = or(isPast(channel.leaseUntil), eq(channel.leaseOwner, owner));
  const free = and(
    isNull(channel.pausedAt),
    isLeft,
    isPast(channel.retryAt),
    serving.length === 0 ? undefined : notInArray(channel.id, [...serving]),
  );
  const due = db
    .select({ id: message.id })
    .from(message)
    .where(
      and(eq(message.channelId, channel.id), eq(message.state, 'waiting'), lte(message.dueAt, databaseNow)),
    );
  const found = await db
    .select({ id: channel.id })
    .from(channel)
    .where(and(free, exists(due)))
    .orderBy(asc(channel.id));
  for (const { id } of found) {
    const [{ affectedRows }] = await db
      .update(channel)
      .set({ leaseOwner: owner, leaseUntil: inSeconds(leaseSeconds) })
      .where(and(eq(channel.id, id), free));
    if (affectedRows === 1) return id;
  }
  return null;
}

/**
 * Keeps a channel for longer.
 * @returns the channel as it is now; null where it is not this owner’s any more, or is to rest.
 */
export async function keepChannel(db: Handle, id: number, owner: string): Promise<ChannelRow | null> {
  const [{ affectedRows }] = await db
    .update(channel)
    .set({ leaseUntil: inSeconds(leaseSeconds) })
    .where(
      and(
        eq(channel.id, id),
        eq(channel.leaseOwner, owner),
        isNull(channel.pausedAt),
        isPast(channel.retryAt),
      ),
    );
  if (affectedRows === 0) return null;
  const [row] = await db.select().from(channel).where(eq(channel.id, id));
  return row ?? null;
}

export const letChannelGo = async (db: Handle, id: number, owner: string): Promise<void> =>
  void (await db
    .update(channel)
    .set({ leaseOwner: null, leaseUntil: null })
    .where(and(eq(channel.id, id), eq(channel.leaseOwner, owner))));

/** Something got through. */
export const noteSuccess = async (tx: Handle, id: number, now: Date): Promise<void> =>
  void (await tx
    .update(channel)
    .set({ lastAt: now, failingSince: null, why: '', retryAt: null })
    .where(eq(channel.id, id)));

/** Something did not get through. @param seconds for how long it is left alone; 0 for not at all. */
export const noteFailure = async (
  tx: Handle,
  { id, failingSince }: Pick<ChannelRow, 'id' | 'failingSince'>,
  { why, seconds, pauses }: { why: string; seconds: number; pauses: boolean },
  now: Date,
): Promise<void> =>
  void (await tx
    .update(channel)
    .set({
      failingSince: failingSince ?? now,
      why,
      ...(seconds > 0 && { retryAt: inSeconds(seconds) }),
      ...(pauses && { pausedAt: now }),
    })
    .where(eq(channel.id, id)));

/** That a feed was asked for, to the hour. */
export const noteAsked = async (db: Handle, id: number, now: Date): Promise<void> =>
  void (await db
    .update(channel)
    .set({ lastAt: now })
    .where(
      and(
        eq(channel.id, id),
        or(isNull(channel.lastAt), lt(channel.lastAt, new Date(now.getTime() - 3_600_000))),
      ),
    ));
