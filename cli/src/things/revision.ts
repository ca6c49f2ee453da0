import { optionsLine } from '@orbis/contract';
import { facts, formatTimestamp } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** The states that an embed was saved in. */
export const revision: Thing = {
  list: (verb, run) => {
    verb
      .command('revisions')
      .argument('<embed>', 'the key of an embed')
      .description('every state that an embed was saved in, the newest first')
      .addHelpText('after', '\nExample:\n  orbis list revisions opening-talk')
      .action((embed: string) =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('revisions.list', { params: { embed }, query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              revision: ({ number }) => String(number),
              saved: ({ createdAt }) => formatTimestamp(createdAt),
              code: ({ source }) => String(source),
              why: ({ reason }) => reason,
              options: ({ options }) => optionsLine(options) || 'none',
            },
            'It has none.',
          );
          if (items.length > 1)
            tools.note(
              `“orbis compare ${embed} 1 ${items[0]!.number}” shows what differs; “orbis bring-back ${embed} 1” brings the first one back.\n`,
            );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('revision')
      .argument('<embed>', 'the key of an embed')
      .argument('<revision>', 'the number of one of its revisions')
      .description('one state that an embed was saved in')
      .addHelpText('after', '\nExample:\n  orbis show revision opening-talk 2')
      .action((embed: string, revision: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('revisions.read', { params: { embed, revision } });
          tools.tell(data, () =>
            facts(
              [
                ['Embed', embed],
                ['Revision', String(data.number)],
                ['Saved', formatTimestamp(data.createdAt)],
                ['Why', data.reason],
                ['Code', `number ${data.source} that was pasted for it`],
                ['Options', optionsLine(data.options) || 'none: it went out as it was pasted'],
              ],
              tools.colours,
            ),
          );
          return 0;
        }),
      );
  },
};
