import { Option } from 'commander';
import { messageStates, plural, spoken, type Message, type MessageState } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** What went out with news, and what did not get through. */
export const message: Thing = {
  list: (verb, run) => {
    verb
      .command('messages')
      .option('--channel <name>', 'only of this channel')
      .addOption(new Option('--state <state>', 'only in this state').choices(messageStates))
      .description('what went out with news, the newest first; “--state dead” for what was given up')
      .action((asked: { channel?: string; state?: MessageState }) =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('messages.list', { query: { ...asked, limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              message: ({ id }) => id,
              channel: ({ channel }) => channel,
              state: stateOf,
              news: ({ news, isTrial }) => (isTrial ? 'a trial' : String(news)),
              tried: ({ attempts }) => plural(attempts, 'time'),
              made: ({ createdAt }) => formatTimestamp(createdAt),
            },
            'There is none.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('message')
      .argument('<message>', 'its id, as “orbis list messages” shows it')
      .description('what became of a message, and why it did not get through')
      .action((id: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('messages.read', { params: { message: id } });
          tools.tell(data, () => describeMessage(data, tools.colours));
          return data.state === 'dead' ? 1 : 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('message')
      .argument('<message...>', 'ids, as “orbis list messages --state dead” shows them')
      .option('--resend', 'send it again, for a day')
      .addOption(new Option('--drop', 'let go of it, where it was given up').conflicts('resend'))
      .description('messages that were given up, or wait: send them again, or let go of them')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis change message k3f9w2mzq7 --resend\n  orbis change message k3f9w2mzq7 --drop',
      )
      .action((ids: string[], { resend, drop }: { resend?: true; drop?: true }) =>
        run(async (tools) => {
          if (drop) {
            const { data } = await tools.client().call('messages.drop', { body: { messages: ids } });
            tools.confirm(data, () => `Let go of ${plural(data.dropped, 'message')}.\n`);
            return 0;
          }
          if (!resend) throw new UsedWrongly('Say what becomes of it: --resend or --drop.');
          const { data } = await tools.client().call('messages.resend', { body: { messages: ids } });
          tools.confirm(data.items, () => `${plural(data.items.length, 'message')} to be sent again.\n`);
          return 0;
        }),
      );
  },
};

const stateOf = ({ state }: Message): string => spoken.news.states[state];

function describeMessage(data: Message, colours: Colours): string {
  const { id, channel, news, isTrial, attempts, createdAt, nextAt, sentAt, why } = data;
  return facts(
    [
      ['Message', id],
      ['Channel', channel],
      ['State', stateOf(data)],
      ['News in it', isTrial ? 'none: it is a trial' : String(news)],
      ['Tried', plural(attempts, 'time')],
      ...(why === '' ? [] : [['Because', why] as [string, string]]),
      ['Made', formatTimestamp(createdAt)],
      ...(nextAt === null ? [] : [['Next', formatTimestamp(nextAt)] as [string, string]]),
      ...(sentAt === null ? [] : [['Got through', formatTimestamp(sentAt)] as [string, string]]),
    ],
    colours,
  );
}
