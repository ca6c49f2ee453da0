import {
  apiBase,
  channelChange,
  mostChannels,
  newChannel,
  OrbisError,
  pathOf,
  type Channel,
  type ChannelChange,
  type ChannelKind,
  type ChannelWithSecret,
  type NewChannel,
} from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { digest } from '../digest.ts';
import { serializeChannel } from '../serializers/channels.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import {
  changeChannel,
  countChannels,
  deleteChannel,
  findChannel,
  insertChannel,
  listChannels,
  type ChannelOfSite,
  type ChannelRow,
  type ChannelValues,
} from '../store/channels.ts';
import type { Actor } from '../store/embeds.ts';
import { levelsByRank } from '../store/findings.ts';
import { newSecret } from '../store/ids.ts';
import { countMessages } from '../store/messages.ts';
import { keyset } from '../store/pages.ts';
import type { MatchState } from './match-state.ts';
import { siteByKey } from './places.ts';
import { unlessTaken } from './unless-taken.ts';

/* So far messages of a channel are counted. */
const mostMessagesCounted = 200;

/** What is kept of a channel under its name. */
export const channelValues = ({
  channel: { kind, to, secret, siteId, rank, schedule, pausedAt },
}: Pick<ChannelOfSite, 'channel'>): ChannelValues => ({
  ...{ kind, to, secret, siteId, rank, schedule },
  paused: pausedAt !== null,
});

/** A channel as it crosses the wire, with how much waits there and was given up. */
export async function tellChannel(db: Handle, found: ChannelOfSite): Promise<Channel> {
  const channelId = found.channel.id;
  const [waiting, dead] = await Promise.all([
    countMessages(db, { channelId, state: 'waiting' }, mostMessagesCounted),
    countMessages(db, { channelId, state: 'dead' }, mostMessagesCounted),
  ]);
  return serializeChannel(found, { waiting, dead });
}

/** A part of the channels, in the order in which they were made. */
export async function readChannels(
  db: Handle,
  limit: number,
  after: string | undefined,
): Promise<{ items: Channel[]; next: string | null }> {
  const rows = await listChannels(db, limit, after);
  const { items, next } = keyset(
    rows.map((row) => ({ id: row.channel.id, row })),
    limit,
    ({ row }) => row,
  );
  return { items: await Promise.all(items.map((row) => tellChannel(db, row))), next };
}

/** @throws OrbisError `not-found` */
export async function channelNamed(db: Handle, name: string): Promise<ChannelOfSite> {
  const found = await findChannel(db, name);
  if (!found) throw new OrbisError('not-found', { what: 'channel', key: name });
  return found;
}

export interface ChannelTools {
  db: Database;
  /** Where the console answers. */
  origin: string;
  /** Whether there is a mail server to send by. */
  hasMail: boolean;
}

/**
 * Has news go out by a way.
 * @returns it, with its secret, which is told this once.
 * @throws OrbisError `mail-not-set-up`, `too-many-channels`, `key-taken`, `not-found`
 */
export async function addChannel(
  asked: NewChannel,
  { db, origin, hasMail }: ChannelTools,
  actor: Actor,
): Promise<ChannelWithSecret> {
  const { name, kind, site, level } = newChannel.parse(asked);
  if (kind === 'mail' && !hasMail) throw new OrbisError('mail-not-set-up');
  const { kept, told } = secretFor(kind, origin);
  await unlessTaken('channel', name, () =>
    inTransaction(db, async (tx) => {
      if ((await countChannels(tx)) >= mostChannels)
        throw new OrbisError('too-many-channels', { most: mostChannels });
      const values: ChannelValues = {
        ...{ kind, to: 'to' in asked ? asked.to : '', secret: kept },
        ...{ siteId: site === null ? null : (await siteByKey(tx, site)).id },
        ...{ rank: levelsByRank.indexOf(level), paused: false },
        schedule: ('schedule' in asked ? asked.schedule : null) ?? null,
      };
      await insertChannel(tx, name, values, actor);
      const effect = { of: 'channel' as const, before: null, after: values };
      await recordChange(tx, { facts: { kind: 'added', what: 'channel', key: name }, effect }, actor);
    }),
  );
  return { ...(await tellChannel(db, await channelNamed(db, name))), secret: told };
}

/* A new secret: what is kept of it, and what is told. Of a feed only the digest is kept; the key of a
   signature is needed each time. */
function secretFor(kind: ChannelKind, origin: string): { kept: string; told: string | null } {
  if (kind === 'mail') return { kept: '', told: null };
  const secret = newSecret();
  return kind === 'webhook'
    ? { kept: secret, told: secret }
    : { kept: digest(secret), told: feedAddress(origin, secret) };
}

/** Where a feed answers. */
const feedAddress = (origin: string, secret: string): string =>
  `${origin}${apiBase}${pathOf('news.feed')}?key=${secret}`;

/**
 * Changes what is named of a channel.
 * @throws OrbisError `not-found`, `channel-unfit`, and of its state.
 */
export async function editChannel(
  name: string,
  asked: ChannelChange,
  { db, matchState }: { db: Database; matchState: MatchState },
  actor: Actor,
): Promise<void> {
  const { site, level, ...given } = channelChange.parse(asked);
  await inTransaction(db, async (tx) => {
    const found = await channelNamed(tx, name);
    matchState(versionTag(found.channel), 'channel');
    refuseUnfit(found.channel, given);
    const values: Partial<ChannelValues> = {
      ...defined(given),
      ...(site !== undefined && { siteId: site === null ? null : (await siteByKey(tx, site)).id }),
      ...(level !== undefined && { rank: levelsByRank.indexOf(level) }),
    };
    const was = channelValues(found);
    const before = Object.fromEntries(
      Object.keys(values).map((key) => [key, was[key as keyof ChannelValues]]),
    );
    if (!(await changeChannel(tx, found.channel, values, actor.now)))
      throw new OrbisError('if-match-stale', { what: 'channel' });
    const effect = { of: 'channel' as const, before, after: values };
    await recordChange(tx, { facts: { kind: 'changed', what: 'channel', key: name }, effect }, actor);
  });
}

const defined = <T extends object>(values: T): Partial<T> =>
  Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as Partial<T>;

function refuseUnfit({ name, kind }: ChannelRow, { to, schedule }: ChannelChange): void {
  if (schedule && kind !== 'mail') throw new OrbisError('channel-unfit', { what: 'schedule', channel: name });
  if (to === undefined) return;
  const fits = kind === 'mail' ? !/^https?:/i.test(to) : kind === 'webhook' && /^https?:/i.test(to);
  if (!fits) throw new OrbisError('channel-unfit', { what: kind, channel: name });
}

/**
 * Gives a channel another secret; the old one is good no more.
 * @throws OrbisError `not-found`, `channel-unfit`
 */
export async function renewChannel(
  name: string,
  { db, origin }: Pick<ChannelTools, 'db' | 'origin'>,
  now: Date,
): Promise<ChannelWithSecret> {
  const { channel } = await channelNamed(db, name);
  const { kept, told } = secretFor(channel.kind, origin);
  if (told === null) throw new OrbisError('channel-unfit', { what: 'secret', channel: name });
  if (!(await changeChannel(db, channel, { secret: kept }, now)))
    throw new OrbisError('if-match-stale', { what: 'channel' });
  return { ...(await tellChannel(db, await channelNamed(db, name))), secret: told };
}

/** @throws OrbisError `not-found` */
export const removeChannel = (db: Database, name: string, actor: Actor): Promise<void> =>
  inTransaction(db, async (tx) => {
    const found = await channelNamed(tx, name);
    await deleteChannel(tx, found.channel);
    const effect = { of: 'channel' as const, before: channelValues(found), after: null };
    await recordChange(tx, { facts: { kind: 'removed', what: 'channel', key: name }, effect }, actor);
  });
