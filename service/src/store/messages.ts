import { and, asc, count, desc, eq, inArray, lt, lte, sql, type SQL } from 'drizzle-orm';
import type { MessageState } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { nextTimeOf } from './next-time.ts';
import type { ChannelRow } from './channels.ts';
import { newPublicId } from './ids.ts';
import { insertMany } from './insert-many.ts';
import type { NewsRow } from './news.ts';
import { channel, databaseNow, message, messageNews, news } from './schema.ts';

export type MessageRow = typeof message.$inferSelect;

/** A message with the channel that it goes by. */
export interface ShownMessage {
  message: MessageRow;
  channel: Pick<ChannelRow, 'name' | 'kind'>;
}

const inSeconds = (seconds: number): SQL =>
  sql`${databaseNow} + INTERVAL ${sql.raw(String(Math.ceil(seconds)))} SECOND`;

/** Has each piece of news sent by itself. Call it in a transaction. */
export async function sendEach(tx: Handle, channelId: number, all: readonly NewsRow[], now: Date) {
  const ids = all.map(() => newPublicId());
  await insertMany(
    tx,
    message,
    ids.map((publicId) => ({
      ...{ publicId, channelId, state: 'waiting' as const, news: 1 },
      ...{ dueAt: now, since: now, createdAt: now },
    })),
  );
  const rows = await tx
    .select({ id: message.id, publicId: message.publicId })
    .from(message)
    .where(inArray(message.publicId, ids));
  const made = new Map(rows.map(({ id, publicId }) => [publicId, id]));
  await insertMany(
    tx,
    messageNews,
    all.map(({ id }, i) => ({ messageId: made.get(ids[i]!)!, newsId: id })),
  );
}

/**
 * Has news sent together: with what is gathered already, until it is time to send that. Call it in a
 * transaction that alone gives news to channels.
 * @param seconds how long is gathered where it is to be sent at once.
 */
export async function gather(
  tx: Handle,
  { id: channelId, schedule }: Pick<ChannelRow, 'id' | 'schedule'>,
  all: readonly NewsRow[],
  { seconds, now }: { seconds: number; now: Date },
): Promise<void> {
  const [open] = await tx
    .select({ id: message.id })
    .from(message)
    .where(eq(message.gathersFor, channelId))
    .for('update');
  const id = open?.id ?? (await openMessage(tx, channelId, nextTimeOf(schedule, now), { seconds, now }));
  await insertMany(
    tx,
    messageNews,
    all.map((each) => ({ messageId: id, newsId: each.id })),
  );
  await tx
    .update(message)
    .set({ news: sql`${message.news} + ${all.length}` })
    .where(eq(message.id, id));
}

async function openMessage(
  tx: Handle,
  channelId: number,
  next: Date | null,
  { seconds, now }: { seconds: number; now: Date },
): Promise<number> {
  const [{ insertId }] = await tx.insert(message).values({
    ...{ publicId: newPublicId(), channelId, state: 'gathering', gathersFor: channelId },
    ...{ dueAt: next ?? inSeconds(seconds), since: now, createdAt: now },
  });
  return insertId;
}

/** What has been gathered for long enough is to be sent. */
export const closeGathered = async (db: Handle, now: Date): Promise<void> =>
  void (await db
    .update(message)
    .set({ state: 'waiting', gathersFor: null, since: now })
    .where(and(eq(message.state, 'gathering'), lte(message.dueAt, databaseNow))));

/** Has something harmless sent. Call it in a transaction. @returns its id */
export async function insertTrial(tx: Handle, channelId: number, now: Date): Promise<string> {
  const publicId = newPublicId();
  await tx.insert(message).values({
    ...{ publicId, channelId, state: 'waiting', isTrial: 1 },
    ...{ dueAt: now, since: now, createdAt: now },
  });
  return publicId;
}

/** What a channel has to send next; null where there is nothing. */
export async function nextMessage(db: Handle, channelId: number): Promise<MessageRow | null> {
  const [row] = await db
    .select()
    .from(message)
    .where(
      and(eq(message.channelId, channelId), eq(message.state, 'waiting'), lte(message.dueAt, databaseNow)),
    )
    .orderBy(asc(message.dueAt), asc(message.id))
    .limit(1);
  return row ?? null;
}

/** The ids of the newest news in a message, as many as asked for. */
export const newsIdsIn = async (db: Handle, messageId: number, limit: number): Promise<number[]> =>
  (
    await db
      .select({ id: messageNews.newsId })
      .from(messageNews)
      .where(eq(messageNews.messageId, messageId))
      .orderBy(desc(messageNews.newsId))
      .limit(limit)
  ).map(({ id }) => id);

/** A message got through. Call it in a transaction. */
export const markSent = async (tx: Handle, { id }: Pick<MessageRow, 'id'>, now: Date): Promise<void> =>
  void (await tx
    .update(message)
    .set({ state: 'sent', attempts: sql`${message.attempts} + 1`, sentAt: now, why: '' })
    .where(eq(message.id, id)));

/** A message did not get through. @param seconds until when it waits; null where it is given up. */
export const markFailed = async (
  tx: Handle,
  { id }: Pick<MessageRow, 'id'>,
  why: string,
  seconds: number | null,
): Promise<void> =>
  void (await tx
    .update(message)
    .set({
      attempts: sql`${message.attempts} + 1`,
      why,
      ...(seconds === null ? { state: 'dead' as const } : { dueAt: inSeconds(seconds) }),
    })
    .where(eq(message.id, id)));

/** Gives up whatever of a channel has waited since before then. */
export const giveUp = async (tx: Handle, channelId: number, before: Date, why: string): Promise<void> =>
  void (await tx
    .update(message)
    .set({ state: 'dead', why })
    .where(and(eq(message.channelId, channelId), eq(message.state, 'waiting'), lte(message.since, before))));

/** Has messages sent again, from now on for a day. */
export const sendAgain = async (tx: Handle, ids: readonly number[], now: Date): Promise<void> =>
  void (await tx
    .update(message)
    .set({ state: 'waiting', dueAt: now, since: now })
    .where(inArray(message.id, [...ids])));

const withChannel = (db: Handle) =>
  db
    .select({ message, channel: { name: channel.name, kind: channel.kind } })
    .from(message)
    .innerJoin(channel, eq(channel.id, message.channelId))
    .$dynamic();

/** Whether there was a message to a channel with news of a finding. */
export async function wasTold(db: Handle, channelId: number, findingId: number): Promise<boolean> {
  const [row] = await db
    .select({ id: message.id })
    .from(news)
    .innerJoin(messageNews, eq(messageNews.newsId, news.id))
    .innerJoin(message, eq(message.id, messageNews.messageId))
    .where(and(eq(news.findingId, findingId), eq(message.channelId, channelId)))
    .limit(1);
  return row !== undefined;
}

/** Lets go of those of these that were given up. @returns how many that were. */
export async function dropDead(db: Handle, publicIds: readonly string[]): Promise<number> {
  const [{ affectedRows }] = await db
    .delete(message)
    .where(and(inArray(message.publicId, [...publicIds]), eq(message.state, 'dead')));
  return affectedRows;
}

/** Messages, the newest first, one more than asked for. */
export const listMessages = (
  db: Handle,
  { channelId, state }: { channelId?: number | undefined; state?: MessageState | undefined },
  limit: number,
  before: number | null,
): Promise<ShownMessage[]> =>
  withChannel(db)
    .where(
      and(
        channelId === undefined ? undefined : eq(message.channelId, channelId),
        state === undefined ? undefined : eq(message.state, state),
        before === null ? undefined : lt(message.id, before),
      ),
    )
    .orderBy(desc(message.id))
    .limit(limit + 1);

/** The messages with these ids, locked where they are to be changed. */
export const messagesWith = (db: Handle, publicIds: readonly string[]): Promise<ShownMessage[]> =>
  withChannel(db)
    .where(inArray(message.publicId, [...publicIds]))
    .orderBy(asc(message.id));

/** How many messages of a channel are in a state, counted up to a limit. */
export async function countMessages(
  db: Handle,
  of: { channelId?: number; state: MessageState },
  limit: number,
): Promise<number> {
  const first = db
    .select({ id: message.id })
    .from(message)
    .where(
      and(
        of.channelId === undefined ? undefined : eq(message.channelId, of.channelId),
        eq(message.state, of.state),
      ),
    )
    .limit(limit)
    .as('in_state');
  const [row] = await db.select({ count: count() }).from(first);
  return row!.count;
}

/* For how many days is kept what got through, and how much of it goes at once. */
const [daysKept, goesAtOnce] = [90, 1000];

/** Takes away what got through long ago, a part of it; what was given up stays with its channel. */
export const dropOldMessages = async (db: Database): Promise<void> =>
  void (await db.execute(
    sql`delete from ${message} where ${message.sentAt} < UTC_TIMESTAMP(3) - INTERVAL ${sql.raw(String(daysKept))} DAY limit ${sql.raw(String(goesAtOnce))}`,
  ));
