import { apiBase, eventTypes, spoken, type NewsEvent } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import type { Fetching } from '../fetching/client.ts';
import type { Origins } from '../origins.ts';
import type { ChannelRow } from '../store/channels.ts';
import { newsIdsIn, type MessageRow } from '../store/messages.ts';
import { newsWith } from '../store/news.ts';
import { declaredAddresses } from '../store/places.ts';
import { eventOf, tellNews } from '../usecases/news.ts';
import type { Send } from './courier.ts';
import { newsMail, trialMail, type MailText } from './mail-text.ts';
import type { Mailer } from './mailer.ts';
import { NotDelivered } from './not-delivered.ts';
import { sendEvent } from './webhook.ts';

export interface SendTools {
  db: Database;
  fetching: Pick<Fetching, 'send'>;
  /** Null where no mail server is set up. */
  mailer: Mailer | null;
  origins: () => Pick<Origins, 'console'>;
  now: () => Date;
}

/* So much of what came is looked through for a mail, the newest of it. */
const mostInMail = 1000;

/** Sends a message by its channel, under the same id each time. */
export const createSend =
  (tools: SendTools): Send =>
  (channel, message) =>
    channel.kind === 'webhook' ? sendHook(channel, message, tools) : sendMail(channel, message, tools);

async function sendHook(
  channel: ChannelRow,
  message: MessageRow,
  { db, fetching, origins, now }: SendTools,
): Promise<void> {
  const source = `${origins().console}${apiBase}`;
  const event = message.isTrial
    ? trialEvent(channel, message, source)
    : (await tellNews(db, await newsWith(db, await newsIdsIn(db, message.id, 1)))).map((each) =>
        eventOf(each, source),
      )[0];
  // What it was about is not there any more.
  if (!event) return;
  const declared = await declaredAddresses(db);
  await sendEvent(event, { url: channel.to, key: channel.secret, declared }, { fetching, now: now() });
}

const trialEvent = ({ name }: ChannelRow, message: MessageRow, source: string): NewsEvent => ({
  ...{ specversion: '1.0', id: message.publicId, source, type: eventTypes.trial },
  time: message.createdAt.toISOString(),
  datacontenttype: 'application/json',
  data: { message: spoken.news.trialSays(name) },
});

async function sendMail(
  channel: ChannelRow,
  message: MessageRow,
  { db, mailer, origins }: SendTools,
): Promise<void> {
  if (!mailer) throw new NotDelivered(spoken.news.failures['no-mail-server']({}), { isForAll: true });
  const origin = origins().console;
  const words = message.isTrial
    ? trialMail({ channel: channel.name, origin })
    : await wordsOf(channel, message, db, origin);
  if (!words) return;
  const id = `${message.publicId}@${new URL(origin).hostname}`;
  await mailer.send({ to: channel.to, ...words, id, date: message.since });
}

async function wordsOf(
  { name: channel }: ChannelRow,
  message: MessageRow,
  db: Database,
  origin: string,
): Promise<MailText | null> {
  const news = await tellNews(db, await newsWith(db, await newsIdsIn(db, message.id, mostInMail)));
  return news.length === 0 ? null : newsMail({ news, channel, origin });
}
