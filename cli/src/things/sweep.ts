import type { Client, SweepPage } from '@orbis/contract';
import { describeSweep, needsAttention } from '../describe/sweep.ts';
import { formatTimestamp } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** The pages of a sweep, with what was seen on each. */
export const pagesOfSweep = (sweep: string, client: Client): Promise<SweepPage[]> =>
  every((after) => client.call('sweeps.pages', { params: { sweep }, query: { limit, after } }));

/** What was read of the published pages; “orbis sweep” reads them. */
export const sweep: Thing = {
  list: (verb, run) => {
    verb
      .command('sweeps')
      .description('when the published pages were read, the newest first')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('sweeps.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              'sweep': ({ id }) => id,
              'of': ({ scope, at }) => `${scope ?? 'everything'}${at === null ? '' : ` at ${at}`}`,
              'state': ({ state }) => state,
              'pages read': ({ read, pages }) => `${read} of ${pages}`,
              'begun': ({ createdAt }) => formatTimestamp(createdAt),
            },
            'Nothing has been swept yet. “orbis sweep” reads the published pages.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('sweep')
      .argument('<sweep>', 'its id, as “orbis list sweeps” shows it')
      .description('what a sweep saw, page by page')
      .addHelpText(
        'after',
        '\nExit status: 0 everything that was placed was live, 1 something needed attention.',
      )
      .action((id: string) =>
        run(async (tools) => {
          const client = tools.client();
          const { data } = await client.call('sweeps.read', { params: { sweep: id } });
          const pages = await pagesOfSweep(id, client);
          tools.tell({ ...data, seen: pages }, () => describeSweep(data, pages, tools));
          return needsAttention(data, pages) ? 1 : 0;
        }),
      );
  },
};
