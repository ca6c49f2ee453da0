import { Option } from 'commander';
import {
  spoken,
  type Channel,
  type ChannelChange,
  type ChannelWithSecret,
  type Client,
  type Message,
  type NewChannel,
} from '@orbis/contract';
import type { Level } from '@orbis/core';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { facts, fold, formatTimestamp, type Colours } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import { scheduleIn } from './schedule-asked.ts';
import type { Thing } from './thing.ts';

interface Asked {
  mail?: string;
  webhook?: string;
  feed?: true;
  to?: string;
  site?: string;
  allSites?: true;
  level?: Level;
  every?: string;
  timeZone?: string;
  pause?: true;
  resume?: true;
  renewSecret?: true;
  try?: true;
}

const levelOption = () =>
  new Option('--level <level>', 'from which level on: note for everything, error for the worst only').choices(
    ['note', 'warning', 'error'],
  );

/** The ways by which news of findings goes out: mail, webhooks, feeds. */
export const channel: Thing = {
  list: (verb, run) => {
    verb
      .command('channels')
      .description('the ways by which news of findings goes out: mail, webhooks, feeds')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('channels.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              channel: ({ name }) => name,
              by: ({ kind }) => spoken.news.channels[kind].toLowerCase(),
              to: ({ to }) => to ?? 'whoever asks',
              about: aboutWhat,
              when: whenOf,
              state: ({ paused, failing, dead }) =>
                paused ? 'paused' : failing ? 'does not get through' : dead > 0 ? `${dead} given up` : 'well',
            },
            'News goes nowhere yet. “orbis add channel NAME --mail you@example.org” has it sent by mail.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('channel')
      .argument('<name>', 'its name')
      .description('a way by which news goes out, and whether it gets through')
      .addHelpText('after', '\nExit status: 0 all gets through, 1 something does not, or was given up.')
      .action((name: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('channels.read', { params: { channel: name } });
          tools.tell(data, () => describeChannel(data, tools.colours));
          return data.failing || data.dead > 0 ? 1 : 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('channel')
      .argument('<name>', 'what you call it, such as “To me”')
      .addOption(new Option('--mail <address>', 'send it there by mail').conflicts(['webhook', 'feed']))
      .addOption(new Option('--webhook <address>', 'send each piece there as an event').conflicts('feed'))
      .option('--feed', 'make a feed (Atom) with an address that nobody guesses')
      .option('--site <site>', 'only of this site')
      .addOption(levelOption().default('warning'))
      .option(
        '--every <when>',
        'of mail: told together, as hour, day@07:00 or monday@07:00; at once if not said',
      )
      .option('--time-zone <zone>', 'of --every: the time zone that is meant, such as Europe/London')
      .description('a way by which news of findings goes out')
      .addHelpText(
        'after',
        `
Examples:
  orbis add channel "To me" --mail owner@hollinfell.example --every day@07:00
  orbis add channel Tickets --webhook https://tickets.hollinfell.example/orbis --level error
  orbis add channel Reader --feed --level note

The key of a webhook’s signatures and the address of a feed are printed, this once only.`,
      )
      .action((name: string, asked: Asked) => run((tools) => add(tools, name, asked)));
  },
  change: (verb, run) => {
    verb
      .command('channel')
      .argument('<name>', 'its name')
      .option('--to <address>', 'where it goes from now on')
      .addOption(new Option('--site <site>', 'only of this site').conflicts('allSites'))
      .option('--all-sites', 'of all sites')
      .addOption(levelOption())
      .option('--every <when>', 'of mail: hour, day@07:00, monday@07:00; or never, for at once')
      .option('--time-zone <zone>', 'of --every: the time zone that is meant')
      .addOption(new Option('--pause', 'nothing goes out for a while').conflicts('resume'))
      .option('--resume', 'let it go on')
      .option('--renew-secret', 'another key, or of a feed another address; the old one ends')
      .option('--try', 'send something harmless, and wait whether it gets through')
      .description('a way by which news goes out: change, pause or try it')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis change channel "To me" --try\n  orbis change channel Tickets --level warning --site hollinfell\n\nExit status: 0 done, 1 what was tried has not got through.',
      )
      .action((name: string, asked: Asked) => run((tools) => change(tools, name, asked)));
  },
  remove: (verb, run) => {
    verb
      .command('channel')
      .argument('<name>', 'its name')
      .description('a way by which news goes out; what has not got through yet is given up')
      .action((name: string) =>
        run(async (tools) => {
          await tools.client().call('channels.delete', { params: { channel: name } });
          tools.confirm({ removed: name }, () => `Removed the channel “${name}”.\n`);
          return 0;
        }),
      );
  },
};

async function add(tools: Tools, name: string, asked: Asked): Promise<Exit> {
  const { data } = await tools.client().call('channels.create', { body: newChannelOf(name, asked) });
  tools.tell(data, () => describeMade(data, tools.colours));
  return 0;
}

function newChannelOf(name: string, asked: Asked): NewChannel {
  const { mail, webhook, feed, site = null, level = 'warning', every: when, timeZone } = asked;
  const about = { name, site, level };
  if (when !== undefined && mail === undefined)
    throw new UsedWrongly('--every goes with --mail: a feed and a webhook get each piece of news at once.');
  if (mail !== undefined) {
    const schedule = when === undefined ? null : scheduleIn(when, timeZone, '07:00');
    return { kind: 'mail', to: mail, ...about, schedule };
  }
  if (webhook !== undefined) return { kind: 'webhook', to: webhook, ...about };
  if (feed) return { kind: 'feed', ...about };
  throw new UsedWrongly('Say by which way: --mail ADDRESS, --webhook ADDRESS or --feed.');
}

async function change(tools: Tools, name: string, asked: Asked): Promise<Exit> {
  const client = tools.client();
  const params = { channel: name };
  const body = changeOf(asked);
  const isChange = Object.keys(body).length > 0;
  if (!isChange && !asked.renewSecret && !asked.try)
    throw new UsedWrongly('Say what changes. “orbis change channel --help” has it all.');
  if (isChange) {
    const { etag } = await client.call('channels.read', { params });
    await client.call('channels.change', { params, body, ifMatch: etag ?? '*' });
  }
  if (asked.renewSecret) {
    const { data } = await client.call('channels.renew', { params });
    tools.tell(data, () => describeMade(data, tools.colours));
  }
  if (asked.try) return tryOut(client, name, tools);
  if (!asked.renewSecret) {
    const { data } = await client.call('channels.read', { params });
    tools.confirm(data, () => describeChannel(data, tools.colours));
  }
  return 0;
}

function changeOf({ to, site, allSites, level, every: when, timeZone, pause, resume }: Asked): ChannelChange {
  return {
    ...(to !== undefined && { to }),
    ...(site !== undefined && { site }),
    ...(allSites && { site: null }),
    ...(level !== undefined && { level }),
    ...(when !== undefined && { schedule: scheduleIn(when, timeZone, '07:00') }),
    ...((pause ?? resume) && { paused: pause === true }),
  };
}

/* How long is waited whether it gets through, and how often that is asked, in ms. */
const [patience, askEvery] = [45_000, 500];

async function tryOut(client: Client, name: string, tools: Tools): Promise<Exit> {
  const { data: begun } = await client.call('channels.try', { params: { channel: name } });
  let last: Message = begun;
  for (const end = Date.now() + patience; last.attempts === 0 && Date.now() < end;) {
    await new Promise((resolve) => setTimeout(resolve, askEvery));
    last = (await client.call('messages.read', { params: { message: begun.id } })).data;
  }
  tools.tell(last, () =>
    last.state === 'sent'
      ? `It got through to ${name}.\n`
      : `It has not got through: ${last.why || 'it is still waited for'}\n`,
  );
  return last.state === 'sent' ? 0 : 1;
}

const aboutWhat = ({ site, level }: Channel): string => {
  const what = { note: 'everything', warning: 'warnings and errors', error: 'errors' }[level];
  return site === null ? what : `${what} of ${site}`;
};

const whenOf = ({ kind, schedule }: Channel): string =>
  kind === 'feed' ? 'when it is asked for' : schedule === null ? 'at once' : spoken.schedule(schedule);

function describeChannel(data: Channel, colours: Colours): string {
  const { name, kind, to, paused, failing, waiting, dead, lastAt, createdAt } = data;
  return facts(
    [
      ['Channel', name],
      ['Goes', to === null ? 'to whoever asks for the feed' : `by ${kind} to ${to}`],
      ['Tells of', aboutWhat(data)],
      ['When', whenOf(data)],
      ...(paused ? [['State', 'paused'] as [string, string]] : []),
      ...(failing
        ? [
            ['Fails since', formatTimestamp(failing.since)] as [string, string],
            ['Because', failing.why] as [string, string],
          ]
        : []),
      ...(waiting > 0 ? [['Waiting', String(waiting)] as [string, string]] : []),
      ...(dead > 0 ? [['Given up', `${dead} (“orbis list messages --state dead”)`] as [string, string]] : []),
      [kind === 'feed' ? 'Last asked for' : 'Last got through', formatTimestamp(lastAt)],
      ['Made', formatTimestamp(createdAt)],
    ],
    colours,
  );
}

function describeMade(data: ChannelWithSecret, colours: Colours): string {
  const text = describeChannel(data, colours);
  if (data.secret === null) return text;
  const what =
    data.kind === 'feed'
      ? 'The address of the feed, for your feed reader and nobody else. It is shown this once:'
      : 'The key by which its events are signed. It is shown this once:';
  return `${text}\n${fold(what, 100, '')}${data.secret}\n`;
}
