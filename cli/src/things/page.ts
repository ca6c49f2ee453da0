import { mostStanding, spoken, type Page } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { facts, fold, formatTimestamp, type Colours } from '../text.ts';
import { endedWith, endsPlacements, refuseToEnd } from './standing.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Pages of sites. */
export const page: Thing = {
  list: (verb, run) => {
    verb
      .command('pages')
      .option('--where <search>', 'those that a search finds: site=…')
      .option('--site <site>', 'those of one site')
      .description('pages and blocks, with their spots')
      .action((narrowing: { where?: string; site?: string }) =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('pages.list', { query: { limit, after, ...narrowing } }),
          );
          tellList(
            tools,
            items,
            {
              'page': ({ key }) => key,
              'title': ({ title }) => title,
              'spots': ({ spots }) => spots.map(({ name }) => name).join(', ') || '–',
              'last read': ({ checkedAt, block }) => (block ? '–' : formatTimestamp(checkedAt)),
            },
            'There is no page yet. “orbis add page SITE/PATH” adds one.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('page')
      .argument('<page>', 'site and path, such as hollinfell/talks')
      .description('its address, its spots, and when it was last read')
      .addHelpText(
        'after',
        '\nExample:\n  orbis show page hollinfell/talks\n\n“orbis plan” says what to paste there.',
      )
      .action((page: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('pages.read', { params: { page } });
          tools.tell(data, () => describePage(data, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('page')
      .argument('<page>', 'site and path, such as hollinfell/talks; the home page is hollinfell/')
      .option('--title <title>', 'what to call it')
      .description('a page of a site')
      .addHelpText('after', '\nExample:\n  orbis add page hollinfell/talks --title "Talks"')
      .action((page: string, options: { title?: string }) =>
        run(async (tools) => {
          const title = options.title ?? (page.split('/').slice(1).join('/') || 'Home');
          const { data } = await tools.client().call('pages.create', { body: { key: page, title } });
          tools.confirm(data, () => `Added the page ${data.key} (${data.url}).\n`);
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('page')
      .argument('<page>', 'site and path')
      .option('--title <title>', 'what to call it')
      .option('--path <path>', 'its path on the site is another one now; the home page has ""')
      .description('call it something else, or say that it has another address')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis change page hollinfell/talks --title "Talks and films"\n  orbis change page hollinfell/talks --path lectures\n\nWhat is placed on it goes along.',
      )
      .action((page: string, asked: { title?: string; path?: string }) =>
        run((tools) => changePage(page, asked, tools)),
      );
  },
  remove: (verb, run) => {
    verb
      .command('page')
      .argument('<page>', 'site and path')
      .addOption(endsPlacements())
      .description('a page with its spots')
      .addHelpText(
        'after',
        '\nExample:\n  orbis remove page hollinfell/visit\n\n“orbis undo” has it again, with all that was placed on it.',
      )
      .action((page: string, { endPlacements = false }: { endPlacements?: boolean }) =>
        run((tools) => removePage({ page, what: 'page' }, endPlacements, tools)),
      );
  },
};

/** Removes a page, or a block. */
export async function removePage(
  { page, what }: { page: string; what: 'page' | 'block' },
  endPlacements: boolean,
  tools: Tools,
): Promise<Exit> {
  const client = tools.client();
  const { etag } = await client.call('pages.read', { params: { page } });
  const { data: standing } = await client.call('pages.standing', { params: { page } });
  refuseToEnd(what, page, standing, endPlacements);
  const query = endPlacements ? { placements: 'end' as const } : {};
  await client.call('pages.delete', { params: { page }, query, ifMatch: etag ?? '*' });
  tools.confirm(
    { removed: page, ended: standing.placements },
    () => `Removed the ${what} ${page}${endedWith(standing)}.\n`,
  );
  return 0;
}

async function changePage(
  page: string,
  { title, path }: { title?: string; path?: string },
  tools: Tools,
): Promise<Exit> {
  if (title === undefined && path === undefined)
    throw new UsedWrongly('Say what to change: --title or --path.');
  const client = tools.client();
  const { etag } = await client.call('pages.read', { params: { page } });
  const { data: standing } = await client.call('pages.standing', { params: { page } });
  const { data } = await client.call('pages.change', {
    params: { page },
    body: {
      ...(title !== undefined && { title }),
      ...(path !== undefined && { path: path.replace(/^\//, '') }),
    },
    ifMatch: etag ?? '*',
  });
  const moved =
    data.key === page ? '' : `\n${fold(spoken.standing.moved(standing, mostStanding), tools.io.width, '')}`;
  tools.confirm(data, () => `${describePage(data, tools.colours)}${moved}`);
  return 0;
}

/** A page with its spots, or a block with the pages that show it. */
export const describePage = ({ key, title, url, block, spots, checkedAt }: Page, colours: Colours): string =>
  facts(
    [
      [block ? 'Block' : 'Page', key],
      ['Title', title],
      block ? ['Pages', spoken.blocks.shownBy(block)] : ['Address', url],
      [
        'Spots',
        spots.map(({ name, placements }) => `${name} (${placements} placed)`).join('\n') ||
          `none: “orbis add spot ${key}#NAME” names one`,
      ],
      ...(block ? [] : [['Last read', formatTimestamp(checkedAt)] as [string, string]]),
    ],
    colours,
  );
