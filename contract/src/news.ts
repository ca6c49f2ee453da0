import { keptFinding } from './attention.ts';
import { count, label, publicId, time } from './common.ts';
import { shouldBe } from './misfit.ts';
import { channelKinds, messageStates, newsKinds } from './news-kinds.ts';
import { siteKey } from './place.ts';
import { level } from './reading.ts';
import { schedule } from './schedule.ts';
import { z } from './zod.ts';

/** The id of a piece of news: the same each time that it is sent. */
export const newsId = z
  .string()
  .regex(/^[0-9a-hjkmnp-tv-z]{10}-\d{1,15}$/)
  .meta({ description: 'The same wherever and however often it is sent', example: 'k3f9w2mzq7-41' });

/** A piece of news. */
export const newsItem = z
  .object({
    id: newsId,
    kind: z.enum(newsKinds).meta({
      description: 'Found, also anew; due again, of what was to wait until a day; or solved',
    }),
    at: time,
    turn: count.meta({
      description: 'Its place in the order of the news, which as `Last-Event-ID` says where to go on',
    }),
    finding: keptFinding.meta({ description: 'The finding as it is now' }),
  })
  .meta({ id: 'NewsItem' });
export type NewsItem = z.infer<typeof newsItem>;

/** The types of events by what became of a finding, and that of a trial (CloudEvents 1.0, section 3.1.1). */
export const eventTypes = {
  found: 'orbis.finding.found',
  due: 'orbis.finding.due',
  solved: 'orbis.finding.solved',
  trial: 'orbis.trial',
} as const;

/** What a webhook is sent: an event in the structured mode (CloudEvents 1.0, HTTP binding, section 3.2). */
export const newsEvent = z.object({
  specversion: z.literal('1.0'),
  id: z.string().meta({ description: 'With `source`, the same each time that it is sent' }),
  source: z.string().meta({ description: 'The interface of the Orbis that tells it' }),
  type: z.enum(Object.values(eventTypes)),
  time,
  subject: z.string().optional().meta({ description: 'The key of the page or site that it is about' }),
  datacontenttype: z.literal('application/json'),
  data: z.union([keptFinding, z.object({ message: z.string() })]),
});
export type NewsEvent = z.infer<typeof newsEvent>;

/** The type of a body that is one event (CloudEvents 1.0, JSON format, section 3). */
export const eventMediaType = 'application/cloudevents+json';

/** So many channels there are at most. */
export const mostChannels = 50;

/** What somebody calls a way by which news goes out: any words, each once. */
export const channelName = label(60);

const mailAddress = z
  .email({ pattern: /^[^\s<>"(),:;@[\\\]]{1,64}@[a-z0-9](?:[a-z0-9.-]{0,250}[a-z0-9])?$/i })
  .max(320);
const webAddress = z
  .string()
  .trim()
  .max(1000)
  .regex(/^https?:\/\/[^\s\p{Cc}]+$/u, shouldBe('a whole web address, with https://'))
  .refine(isOpenAddress, { error: 'a whole web address, without a name and a password in it' });

/* What is sent along in an address would be told to whoever may see the channel. */
function isOpenAddress(address: string): boolean {
  if (!URL.canParse(address)) return false;
  const { username, password } = new URL(address);
  return username + password === '';
}

const aboutWhat = {
  site: siteKey.nullable().default(null).meta({ description: 'Only of this site; null for all sites' }),
  level: level
    .default('warning')
    .meta({ description: 'From which level on: “note” for everything, “error” for the worst only' }),
};

/** A way by which news is to go out. */
export const newChannel = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('mail'),
      name: channelName,
      to: mailAddress,
      ...aboutWhat,
      schedule: schedule.nullable().default(null).meta({
        description: 'When what came is told together; null for at once, what comes within a minute together',
      }),
    }),
    z.strictObject({ kind: z.literal('webhook'), name: channelName, to: webAddress, ...aboutWhat }),
    z.strictObject({ kind: z.literal('feed'), name: channelName, ...aboutWhat }),
  ])
  .meta({ id: 'NewChannel' });
export type NewChannel = z.infer<typeof newChannel>;

/** What can be changed of a channel; what is not named stays. */
export const channelChange = z
  .strictObject({
    to: z.union([mailAddress, webAddress]),
    site: siteKey.nullable(),
    level,
    schedule: schedule.nullable(),
    paused: z.boolean(),
  })
  .partial()
  .meta({ id: 'ChannelChange' });
export type ChannelChange = z.infer<typeof channelChange>;

/** A way by which news goes out. */
export const channel = z
  .object({
    name: channelName,
    kind: z.enum(channelKinds),
    to: z
      .string()
      .nullable()
      .meta({ description: 'The address that it goes to; null for a feed, which is asked for' }),
    site: siteKey.nullable(),
    level,
    schedule: schedule.nullable(),
    paused: z
      .boolean()
      .meta({ description: 'Whether nothing goes out for a while, and nothing is gathered' }),
    waiting: count.meta({ description: 'Messages that have not got through yet; counted up to 200' }),
    dead: count.meta({ description: 'Messages that were given up; counted up to 200' }),
    failing: z
      .object({ since: time, why: z.string() })
      .nullable()
      .meta({ description: 'Since when nothing gets through, and why; null where all is well' }),
    lastAt: time.nullable().meta({ description: 'When something last got through, or was last asked for' }),
    createdAt: time,
  })
  .meta({ id: 'Channel' });
export type Channel = z.infer<typeof channel>;

/** A channel with its secret, which is told this once. */
export const channelWithSecret = channel
  .extend({
    secret: z.string().nullable().meta({
      description:
        'Of a webhook the key of its signatures, of a feed its whole address; null for mail. It is told this once',
    }),
  })
  .meta({ id: 'ChannelWithSecret' });
export type ChannelWithSecret = z.infer<typeof channelWithSecret>;

/** Something that went out by a channel, or is to. */
export const message = z
  .object({
    id: publicId,
    channel: channelName,
    kind: z.enum(channelKinds),
    state: z.enum(messageStates).meta({
      description: 'More is gathered for it; it waits to be sent; it got through; or it was given up',
    }),
    isTrial: z.boolean(),
    news: count.meta({ description: 'How many pieces of news are in it' }),
    attempts: count.meta({ description: 'How often it was tried' }),
    createdAt: time,
    nextAt: time.nullable().meta({ description: 'When it is tried next' }),
    sentAt: time.nullable(),
    why: z.string().meta({ description: 'Why it did not get through; empty where nothing was wrong' }),
  })
  .meta({ id: 'Message' });
export type Message = z.infer<typeof message>;

/** So many messages are sent again at once. */
export const mostResent = 200;
