import { Option } from 'commander';
import { resourceStates, spoken, type Resource, type ResourceState } from '@orbis/contract';
import { formatTimestamp } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** What placed embeds load or lead to. */
export const resource: Thing = {
  list: (verb, run) => {
    verb
      .command('resources')
      .option('--host <host>', 'only what is loaded from this host, with its port where it has one')
      .option('--embed <embed>', 'only what this embed loads')
      .addOption(new Option('--state <state>', 'only what was last answered so').choices(resourceStates))
      .description('what placed embeds load or lead to, and how it was answered last')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis list resources --state faulty\n  orbis list resources --embed opening-talk',
      )
      .action((asked: { host?: string; embed?: string; state?: ResourceState }) =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('resources.list', { query: { ...asked, limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              'what': ({ use }) => spoken.loaded.uses[use],
              'address': ({ address }) => address,
              'embed': embedOf,
              'state': stateOf,
              'asked last': ({ askedAt }) => formatTimestamp(askedAt),
            },
            Object.keys(asked).length > 0
              ? 'There is none that is so.'
              : 'There is none. “orbis ask” works out what is placed, and asks for it.',
          );
          return items.some(({ state }) => state === 'faulty') ? 1 : 0;
        }),
      );
  },
};

const embedOf = ({ embeds, embedCount }: Resource): string =>
  `${embeds[0]?.key ?? '–'}${embedCount > 1 ? ` and ${embedCount - 1} more` : ''}`;

const stateOf = ({ state, status }: Resource): string =>
  `${spoken.loaded.states[state]}${status === null || status < 300 ? '' : ` (${status})`}`;
