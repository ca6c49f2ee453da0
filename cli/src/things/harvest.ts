import { formatTimestamp } from '../text.ts';
import { describeHarvest } from '../describe/harvest.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Whole pages that were read for the embeds on them; “orbis harvest” reads one, and takes from it. */
export const harvest: Thing = {
  list: (verb, run) => {
    verb
      .command('harvests')
      .description('whole pages that were read for their embeds, the newest first')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('harvests.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              harvest: ({ id }) => id,
              page: ({ title, address }) => title ?? address ?? '–',
              found: ({ found }) => String(found),
              taken: ({ taken }) => String(taken),
              known: ({ known }) => String(known),
              read: ({ createdAt }) => formatTimestamp(createdAt),
            },
            'No page has been harvested yet. “orbis harvest ADDRESS” finds the embeds on a page of yours.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('harvest')
      .argument('<harvest>', 'its id, as “orbis list harvests” shows it')
      .description('what was found on a page')
      .action((id: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('harvests.read', { params: { harvest: id } });
          tools.tell(data, () => describeHarvest(data, [], tools));
          return 0;
        }),
      );
  },
};
