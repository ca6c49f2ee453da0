import type { Logger } from 'pino';
import { spoken } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { isAway } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Metrics } from '../metrics/metrics.ts';
import type { Runner } from '../queue/runner.ts';
import { sideBySide } from '../queue/side-by-side.ts';
import {
  claimChannel,
  keepChannel,
  letChannelGo,
  noteFailure,
  noteSuccess,
  type ChannelRow,
} from '../store/channels.ts';
import {
  closeGathered,
  dropOldMessages,
  giveUp,
  markFailed,
  markSent,
  nextMessage,
  type MessageRow,
} from '../store/messages.ts';
import { dropOldNews } from '../store/news.ts';
import { NotDelivered } from './not-delivered.ts';
import { retryIn, triedFor } from './retry.ts';
import { routeNews } from './router.ts';

/** Sends a message by its channel. @throws NotDelivered */
export type Send = (channel: ChannelRow, message: MessageRow) => Promise<void>;

export interface CourierTools {
  db: Database;
  /** By this name channels are held. */
  owner: string;
  send: Send;
  /** How long mail that is to be sent at once is gathered, in seconds. */
  gathers: number;
  now: () => Date;
  log: Logger;
  metrics: Pick<Metrics, 'messageTried'>;
}

/* By so many channels is sent at once: most of the time is spent waiting for the other side. */
const channelsAtOnce = 8;
/* How often it is looked for what is old, in ms. */
const tidyEvery = 600_000;

/**
 * Takes news to where it is to go: by several channels at once, and by each in its order. What is written
 * down as sent has got through; what a process was sending when it was killed is sent again under the same
 * id. Several processes may share the work, as each channel is served by one of them.
 */
export function createCourier(tools: CourierTools): Runner {
  const { db, owner, log, now } = tools;
  let tidied = -Infinity;
  return sideBySide<number>({
    ...{ atOnce: channelsAtOnce, log, failed: 'sending news failed' },
    prepare: async () => {
      await routeNews(db, { seconds: tools.gathers, now });
      await closeGathered(db, now());
      if (performance.now() - tidied < tidyEvery) return;
      tidied = performance.now();
      await dropOldMessages(db);
      await dropOldNews(db);
    },
    claim: (serving) => claimChannel(db, owner, serving),
    work: (id, isStopping) => serve(id, tools, isStopping),
  });
}

/* Sends what a channel has to send, one after the other, as long as it is this process's. */
async function serve(id: number, tools: CourierTools, isStopping: () => boolean): Promise<void> {
  const { db, owner } = tools;
  try {
    while (!isStopping()) {
      const channel = await keepChannel(db, id, owner);
      const message = channel && (await nextMessage(db, id));
      if (!message) return;
      await deliver(channel, message, tools, isStopping);
    }
  } catch (error) {
    // What was broken off by that is sent when somebody comes next.
    if (!isStopping()) throw error;
  } finally {
    await letChannelGo(db, id, owner);
  }
}

async function deliver(
  channel: ChannelRow,
  message: MessageRow,
  { db, send, now, log, metrics }: CourierTools,
  isStopping: () => boolean,
): Promise<void> {
  try {
    await send(channel, message);
  } catch (error) {
    if (isAway(error) || isStopping()) throw error;
    metrics.messageTried(channel.kind, 'failed');
    const said = { message: message.publicId, kind: channel.kind };
    const isKnown = error instanceof NotDelivered;
    if (isKnown) log.warn({ ...said, why: error.message }, 'news not delivered');
    else log.error({ ...said, err: error }, 'news not delivered');
    // What breaks on one message does not hold up the others.
    const failure = isKnown
      ? error
      : new NotDelivered(spoken.news.failures.internal({}), { isForAll: false });
    return inTransaction(db, (tx) => noteNotDelivered(tx, { channel, message, failure }, now()));
  }
  metrics.messageTried(channel.kind, 'sent');
  await inTransaction(db, async (tx) => {
    await markSent(tx, message, now());
    await noteSuccess(tx, channel.id, now());
  });
}

async function noteNotDelivered(
  tx: Handle,
  { channel, message, failure }: { channel: ChannelRow; message: MessageRow; failure: NotDelivered },
  now: Date,
): Promise<void> {
  const why = failure.message.slice(0, 500);
  const { isForAll, isOver, retryAfter } = failure;
  // What has waited for long because of others is tried for a day from when those began to fail.
  const since =
    isForAll && channel.failingSince ? laterOf(channel.failingSince, message.since) : message.since;
  const isDead = isOver || now.getTime() - since.getTime() >= triedFor;
  const pause = retryIn(isForAll ? (channel.failingSince ?? now) : message.since, now, retryAfter);
  await markFailed(tx, message, why, isDead ? null : pause);
  await noteFailure(tx, channel, { why, seconds: isForAll ? pause : 0, pauses: isOver }, now);
  if (isForAll && isDead) await giveUp(tx, channel.id, new Date(now.getTime() - triedFor), why);
}

const laterOf = (a: Date, b: Date): Date => (a > b ? a : b);
