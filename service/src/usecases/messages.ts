import { OrbisError, type Message, type MessageState } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { serializeMessage } from '../serializers/channels.ts';
import { changeChannel, findChannel } from '../store/channels.ts';
import type { Actor } from '../store/embeds.ts';
import { insertTrial, listMessages, messagesWith, sendAgain } from '../store/messages.ts';
import { afterId, keyset } from '../store/pages.ts';
import { channelNamed } from './channels.ts';

/** What is asked of messages. */
export interface MessagesAsked {
  channel?: string | undefined;
  state?: MessageState | undefined;
  limit: number;
  after?: string | undefined;
}

/** A part of the messages, the newest first. @throws OrbisError `not-found` */
export async function readMessages(
  db: Handle,
  { channel, state, limit, after }: MessagesAsked,
): Promise<{ items: Message[]; next: string | null }> {
  const channelId = channel === undefined ? undefined : (await channelNamed(db, channel)).channel.id;
  const rows = await listMessages(db, { channelId, state }, limit, afterId(after));
  return keyset(
    rows.map((row) => ({ id: row.message.id, row })),
    limit,
    ({ row }) => serializeMessage(row),
  );
}

/** @throws OrbisError `not-found` */
export async function messageById(db: Handle, id: string): Promise<Message> {
  const [found] = await messagesWith(db, [id]);
  if (!found) throw new OrbisError('not-found', { what: 'message', key: id });
  return serializeMessage(found);
}

/**
 * Sends something harmless by a channel; a feed is asked for, and has no trial.
 * @throws OrbisError `not-found`, `channel-unfit`
 */
export const tryChannel = (db: Database, name: string, { now }: Actor): Promise<Message> =>
  inTransaction(db, async (tx) => {
    const { channel } = await channelNamed(tx, name);
    if (channel.kind === 'feed') throw new OrbisError('channel-unfit', { what: 'feed', channel: name });
    // It is tried at once, whatever stood in the way before.
    await changeChannel(tx, channel, {}, now);
    return messageById(tx, await insertTrial(tx, channel.id, now));
  });

/**
 * Sends messages again that were given up, or at once those that wait; all or none.
 * @throws OrbisError `not-found`, `message-sent`
 */
export const resend = (db: Database, ids: readonly string[], { now }: Actor): Promise<Message[]> =>
  inTransaction(db, async (tx) => {
    const found = await messagesWith(tx, ids);
    const known = new Set(found.map(({ message }) => message.publicId));
    const unknown = ids.find((id) => !known.has(id));
    if (unknown !== undefined) throw new OrbisError('not-found', { what: 'message', key: unknown });
    const sent = found.find(({ message }) => message.state === 'sent');
    if (sent) throw new OrbisError('message-sent', { message: sent.message.publicId });
    const again = found.filter(({ message }) => message.state !== 'gathering');
    await sendAgain(
      tx,
      again.map(({ message }) => message.id),
      now,
    );
    for (const name of new Set(again.map(({ channel }) => channel.name)))
      await changeChannel(tx, (await findChannel(tx, name))!.channel, {}, now);
    return (await messagesWith(tx, ids)).map(serializeMessage);
  });
