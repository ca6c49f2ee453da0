import { count, listQuery, publicId } from '../common.ts';
import {
  channel,
  channelChange,
  channelName,
  channelWithSecret,
  message,
  mostResent,
  newChannel,
  newsItem,
} from '../news.ts';
import { messageStates } from '../news-kinds.ts';
import { siteKey } from '../place.ts';
import { lists } from '../resources.ts';
import { z } from '../zod.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'News';
const params = z.object({ channel: channelName });

/** News of what sweeps find: read, followed, and by which ways it goes out. */
export const newsRoutes = {
  'news.list': route({
    ...paths['news.list'],
    summary: 'What was found, came due and was solved, the newest first',
    tag,
    query: listQuery.extend({ site: siteKey.optional() }),
    answer: lists.news,
    statuses: [200],
    errors: ['not-found'],
  }),
  'news.follow': route({
    ...paths['news.follow'],
    summary:
      'News as it comes (Server-Sent Events); with `Last-Event-ID` from behind that event on, which loses none',
    tag,
    query: z.strictObject({ site: siteKey.optional() }),
    answer: newsItem,
    statuses: [200],
    events: true,
    errors: ['not-found'],
  }),
  'news.feed': route({
    ...paths['news.feed'],
    summary: 'The news of a feed (Atom), for whoever has its address',
    tag,
    query: z.strictObject({
      key: z.string().max(100).meta({ description: 'The secret of the feed, a part of its address' }),
    }),
    stream: 'application/atom+xml',
    statuses: [200],
    errors: ['feed-unknown'],
  }),
  'channels.list': route({
    ...paths['channels.list'],
    summary: 'The ways by which news goes out',
    tag,
    query: listQuery,
    answer: lists.channels,
    statuses: [200],
    errors: [],
  }),
  'channels.create': route({
    ...paths['channels.create'],
    summary: 'Have news go out by mail, to a webhook, or as a feed',
    tag,
    body: newChannel,
    answer: channelWithSecret,
    statuses: [201],
    location: ({ name }) => pathOf('channels.read', { channel: name }),
    errors: ['key-taken', 'mail-not-set-up', 'too-many-channels', 'not-found'],
  }),
  'channels.read': route({
    ...paths['channels.read'],
    summary: 'One way by which news goes out',
    tag,
    params,
    answer: channel,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'channels.change': route({
    ...paths['channels.change'],
    summary: 'Change what goes out, where to and when; or pause it',
    tag,
    params,
    ifMatch: true,
    body: channelChange,
    answer: channel,
    statuses: [200],
    etag: true,
    errors: ['not-found', 'channel-unfit'],
  }),
  'channels.renew': route({
    ...paths['channels.renew'],
    summary: 'Give a webhook another key, or a feed another address; the old one ends',
    tag,
    params,
    answer: channelWithSecret,
    statuses: [200],
    errors: ['not-found', 'channel-unfit'],
  }),
  'channels.try': route({
    ...paths['channels.try'],
    summary: 'Send something harmless, to see whether it gets through',
    tag,
    params,
    answer: message,
    statuses: [201],
    location: ({ id }) => pathOf('messages.read', { message: id }),
    errors: ['not-found'],
  }),
  'channels.delete': route({
    ...paths['channels.delete'],
    summary: 'Have news go out there no more; what has not got through yet is given up',
    tag,
    params,
    statuses: [204],
    errors: ['not-found'],
  }),
  'messages.list': route({
    ...paths['messages.list'],
    summary: 'What went out, the newest first; or what was given up, of all channels or one',
    tag,
    query: listQuery.extend({
      channel: channelName.optional().meta({ description: 'The name of a channel' }),
      state: z.enum(messageStates).optional().meta({ description: 'Only messages in this state' }),
    }),
    answer: lists.messages,
    statuses: [200],
    errors: ['not-found'],
  }),
  'messages.read': route({
    ...paths['messages.read'],
    summary: 'What became of a message',
    tag,
    params: z.object({ message: publicId }),
    answer: message,
    statuses: [200],
    errors: ['not-found'],
  }),
  'messages.resend': route({
    ...paths['messages.resend'],
    summary: 'Send messages again that were given up, or now those that wait',
    tag,
    body: z.strictObject({ messages: z.array(publicId).min(1).max(mostResent) }),
    answer: z.object({ items: z.array(message) }).meta({ id: 'Resent' }),
    statuses: [200],
    errors: ['not-found', 'message-sent'],
  }),
  'messages.drop': route({
    ...paths['messages.drop'],
    summary: 'Let go of messages that were given up; others stay',
    tag,
    body: z.strictObject({ messages: z.array(publicId).min(1).max(mostResent) }),
    answer: z
      .object({ dropped: count.meta({ description: 'How many of them there are no more' }) })
      .meta({ id: 'MessagesDropped' }),
    statuses: [200],
    errors: [],
  }),
};
