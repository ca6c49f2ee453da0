import { formatState, plural, type ChangeList, type ChangeListPage } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { facts, table } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Lists of pages where something is to be done; “orbis tick” ticks their pages off. */
export const changelist: Thing = {
  list: (verb, run) => {
    verb
      .command('changelists')
      .description('lists of pages where something is to be done')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('changeLists.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            { list: ({ id }) => id, name: ({ name }) => name, done: progressOf },
            'There is no list. “orbis add changelist NAME --where state=out-of-date” makes one.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('changelist')
      .argument('<list>', 'its id, as “orbis list changelists” shows it')
      .option('--open', 'only pages that are not ticked')
      .description('its pages, with what is to be done on each')
      .addHelpText(
        'after',
        '\n“orbis plan PAGE” says how, “orbis tick LIST PAGE” ticks a page off.\n\nExit status: 0 all of it is ticked, 1 something is open.',
      )
      .action((list: string, { open = false }: { open?: boolean }) =>
        run(async (tools) => {
          const { data } = await tools.client().call('changeLists.read', { params: { list } });
          const pages = await every((after) =>
            tools.client().call('changeListPages.list', {
              params: { list },
              query: { limit, after, ...(open && { open: 'true' as const }) },
            }),
          );
          tools.tell({ ...data, items: pages }, () => describeList(data, pages, tools));
          return pages.some(({ ticked }) => ticked === null) ? 1 : 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('changelist')
      .argument('<name>', 'what to call it')
      .requiredOption('--where <search>', 'which placements it is about: state=… site=… embed=… host=…')
      .description('a list of the pages that a search of the register finds, to be ticked off')
      .addHelpText(
        'after',
        "\nExamples:\n  orbis add changelist 'New colour' --where state=out-of-date\n  orbis add changelist 'Off that host' --where 'host=play.kinorill.localhost site=hollinfell'",
      )
      .action((name: string, { where }: { where: string }) =>
        run(async (tools) => {
          const { data } = await tools.client().call('changeLists.create', { body: { name, where } });
          tools.confirm(
            data,
            () =>
              `Listed ${plural(data.pages, 'page')} as ${data.id}. “orbis show changelist ${data.id}” shows them.\n`,
          );
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('changelist')
      .argument('<list>', 'its id')
      .description('put the pages on it that its search finds by now as well')
      .action((list: string) =>
        run(async (tools) => {
          const client = tools.client();
          const before = await client.call('changeLists.read', { params: { list } });
          const { data } = await client.call('changeLists.fill', { params: { list } });
          const more = data.pages - before.data.pages;
          tools.confirm(data, () =>
            more === 0 ? 'No page has come since.\n' : `${plural(more, 'page')} more on the list.\n`,
          );
          return 0;
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('changelist')
      .argument('<list>', 'its id')
      .description('it and its ticks; nothing else changes')
      .action((list: string) =>
        run(async (tools) => {
          await tools.client().call('changeLists.delete', { params: { list } });
          tools.confirm({ removed: list }, () => `Removed the list ${list}.\n`);
          return 0;
        }),
      );
  },
};

const progressOf = ({ pages, ticked }: ChangeList): string => `${ticked} of ${plural(pages, 'page')}`;

function describeList(list: ChangeList, pages: readonly ChangeListPage[], { colours }: Tools): string {
  const head = facts(
    [
      ['List', `${list.name} (${list.id})`],
      ['About', list.where === '' ? 'everything that is placed' : list.where],
      ['Ticked', progressOf(list)],
    ],
    colours,
  );
  const rows = pages.map((page) => [page.ticked ? '✓' : page.again ? '!' : '', page.page, toDoOn(page)]);
  const again = pages.some((page) => page.again)
    ? '\n! It was ticked, and something else is to be done there since.\n'
    : '';
  return `${head}\n${rows.length === 0 ? 'No page is open.\n' : table(['', 'page', 'to do'], rows, colours)}${again}`;
}

const toDoOn = ({ toDo }: ChangeListPage): string =>
  toDo.length === 0
    ? 'nothing: all of it is live'
    : toDo
        .map(({ embed, state, takeOut }) => `${embed} ${takeOut ? 'to take out' : formatState(state)}`)
        .join(', ');
