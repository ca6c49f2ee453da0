import type { SavedSearch } from '@orbis/contract';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Searches of the register under names; “orbis list placements --search NAME” searches so. */
export const search: Thing = {
  list: (verb, run) => {
    verb
      .command('searches')
      .description('searches of the register that are kept under names')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('savedSearches.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            { search: ({ name }) => name, finds: ({ where }) => where || 'everything' },
            'No search is kept yet. “orbis add search NAME "state=out-of-date site=…"” keeps one.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('search')
      .argument('<name>', 'its name')
      .description('what it finds in the register')
      .action((name: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('savedSearches.read', { params: { search: name } });
          tools.tell(data, () => describeSearch(data, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('search')
      .argument('<name>', 'what you call it')
      .argument('<search...>', 'what it finds, as state=… site=… page=… embed=… host=…')
      .description('a search of the register under a name')
      .addHelpText(
        'after',
        '\nExample:\n  orbis add search "to renew" state=out-of-date site=hollinfell\n  orbis list placements --search "to renew"\n\nIt stands in the console’s register, too.',
      )
      .action((name: string, words: string[]) =>
        run(async (tools) => {
          const { data } = await tools.client().call('savedSearches.save', {
            params: { search: name },
            body: { where: words.join(' ') },
            ifNoneMatch: '*',
          });
          tools.confirm(data, () => `Kept as “${data.name}”: ${data.where}\n`);
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('search')
      .argument('<name>', 'its name')
      .argument('<search...>', 'what it finds from now on')
      .description('what a search finds that is kept')
      .action((name: string, words: string[]) =>
        run(async (tools) => {
          const client = tools.client();
          const params = { search: name };
          const { etag } = await client.call('savedSearches.read', { params });
          const body = { where: words.join(' ') };
          const { data } = await client.call('savedSearches.save', { params, body, ifMatch: etag ?? '*' });
          tools.confirm(data, () => describeSearch(data, tools.colours));
          return 0;
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('search')
      .argument('<name>', 'its name')
      .description('keep a search no more; what it finds stays')
      .action((name: string) =>
        run(async (tools) => {
          const client = tools.client();
          const params = { search: name };
          const { etag } = await client.call('savedSearches.read', { params });
          await client.call('savedSearches.remove', { params, ifMatch: etag ?? '*' });
          tools.confirm({ removed: name }, () => `Removed the search “${name}”.\n`);
          return 0;
        }),
      );
  },
};

const describeSearch = ({ name, where, createdAt }: SavedSearch, colours: Colours): string =>
  facts(
    [
      ['Search', name],
      ['Finds', where || 'everything'],
      ['Kept', formatTimestamp(createdAt)],
    ],
    colours,
  );
