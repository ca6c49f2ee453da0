import type { Page } from '@orbis/contract';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Pages of sites. */
export const page: Thing = {
  list: (verb, run) => {
    verb
      .command('pages')
      .option('--where <search>', 'those that a search finds: site=…')
      .option('--site <site>', 'those of one site')
      .description('pages with their spots')
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
              'last read': ({ checkedAt }) => formatTimestamp(checkedAt),
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
      .requiredOption('--title <title>', 'what to call it')
      .description('call it something else')
      .action((page: string, { title }: { title: string }) =>
        run(async (tools) => {
          const client = tools.client();
          const { etag } = await client.call('pages.read', { params: { page } });
          const { data } = await client.call('pages.change', {
            params: { page },
            body: { title },
            ifMatch: etag ?? '*',
          });
          tools.confirm(data, () => describePage(data, tools.colours));
          return 0;
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('page')
      .argument('<page>', 'site and path')
      .description('a page that has no spots')
      .action((page: string) =>
        run(async (tools) => {
          const client = tools.client();
          const { etag } = await client.call('pages.read', { params: { page } });
          await client.call('pages.delete', { params: { page }, ifMatch: etag ?? '*' });
          tools.confirm({ removed: page }, () => `Removed the page ${page}.\n`);
          return 0;
        }),
      );
  },
};

const describePage = ({ key, title, url, spots, checkedAt }: Page, colours: Colours): string =>
  facts(
    [
      ['Page', key],
      ['Title', title],
      ['Address', url],
      [
        'Spots',
        spots.map(({ name, placements }) => `${name} (${placements} placed)`).join('\n') ||
          `none: “orbis add spot ${key}#NAME” names one`,
      ],
      ['Last read', formatTimestamp(checkedAt)],
    ],
    colours,
  );
