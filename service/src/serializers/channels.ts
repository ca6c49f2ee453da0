import type { Channel, Message } from '@orbis/contract';
import type { ChannelOfSite } from '../store/channels.ts';
import { levelsByRank } from '../store/findings.ts';
import type { ShownMessage } from '../store/messages.ts';

const iso = (time: Date | null): string | null => time?.toISOString() ?? null;

/** A channel as it crosses the wire, without its secret. */
export const serializeChannel = (
  { channel, site }: ChannelOfSite,
  counts: Pick<Channel, 'waiting' | 'dead'>,
): Channel => ({
  ...{ name: channel.name, kind: channel.kind, site, level: levelsByRank[channel.rank]! },
  to: channel.kind === 'feed' ? null : channel.to,
  schedule: channel.schedule,
  paused: channel.pausedAt !== null,
  ...counts,
  failing: channel.failingSince && { since: channel.failingSince.toISOString(), why: channel.why },
  lastAt: iso(channel.lastAt),
  createdAt: channel.createdAt.toISOString(),
});

/** A message as it crosses the wire. */
export const serializeMessage = ({ message, channel }: ShownMessage): Message => ({
  ...{ id: message.publicId, channel: channel.name, kind: channel.kind, state: message.state },
  ...{ isTrial: message.isTrial === 1, news: message.news, attempts: message.attempts, why: message.why },
  createdAt: message.createdAt.toISOString(),
  nextAt: message.state === 'sent' || message.state === 'dead' ? null : message.dueAt.toISOString(),
  sentAt: iso(message.sentAt),
});
