import ora from 'ora';
import {
  mostPages,
  outcomeOf,
  PageListInvalid,
  pagesInList,
  plural,
  spoken,
  type FoundPages,
  type ListedPage,
} from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { textOf } from '../pasted.ts';
import { fold, table } from '../text.ts';
import { wholeNumber } from './looking/numbers.ts';

interface Asked {
  links?: boolean;
  sitemap?: string;
  most?: number;
  add?: boolean;
}

export const addPages: AddCommand = (program, run) => {
  program
    .command('pages')
    .argument('<site>', 'its key')
    .argument(
      '[list]',
      'a file with the address or path of a page in each line, or CSV (address, title); - for standard input',
    )
    .option('--links', 'follow the links on its pages, from the first one, instead of reading its sitemap')
    .option(
      '--sitemap <address>',
      'where its sitemap is, if not where its robots.txt says or at /sitemap.xml',
    )
    .option('--most <count>', `how many pages are found at most: 1000, or up to ${mostPages}`, wholeNumber)
    .option('--add', 'add those that the register does not have')
    .description('find the pages of a site, and add them')
    .addHelpText(
      'after',
      `
Examples:
  orbis pages hollinfell
  orbis pages hollinfell --links --most 200
  orbis pages hollinfell --add
  orbis pages hollinfell pages.csv --add

Links are followed one at a time, with a pause after each. “orbis undo” takes pages out again that were added, as long as nothing was placed on them.`,
    )
    .action((site: string, list: string | undefined, asked: Asked) =>
      run(async (tools) => {
        if (list !== undefined && (asked.links || asked.sitemap !== undefined))
          throw new UsedWrongly('A list is all that is read: leave out --links and --sitemap.');
        const found = list === undefined ? await search(site, asked, tools) : null;
        const pages = found
          ? found.pages.filter(({ isKnown }) => !isKnown)
          : await listed(site, list!, tools);
        const added = asked.add ? await add(site, pages, tools) : null;
        tools.tell({ ...(found ?? { pages }), ...(added ?? {}) }, () =>
          [
            found ? foundTable(found, tools) : '',
            ...(found ? summaryOf(found).map((line) => fold(line, tools.io.width, '')) : []),
            found?.pages.length === 0
              ? ''
              : fold(added ? addedOf(added, site) : nextStep(pages.length, site, list), tools.io.width, ''),
          ].join(''),
        );
        return 0;
      }),
    );
};

/* With a line on a terminal, which says how far it is. */
async function search(
  site: string,
  { links = false, sitemap, most }: Asked,
  { client, io, quiet }: Tools,
): Promise<FoundPages> {
  const body = {
    by: links ? ('links' as const) : ('sitemap' as const),
    ...(sitemap !== undefined && { address: sitemap }),
    ...(most !== undefined && { most }),
  };
  const line = io.errIsTerminal && !quiet ? ora({ text: 'looking', stream: process.stderr }).start() : null;
  try {
    const call = { params: { site }, body, signal: io.signal };
    const response = await client().open('pageSearches.create', call);
    return await outcomeOf<FoundPages, { found: number }>(
      response,
      ({ found }) => {
        if (line) line.text = `${plural(found, 'page')} found`;
      },
      'Orbis broke off before it was done. Nothing was kept; try again.',
    );
  } finally {
    line?.stop();
  }
}

async function listed(site: string, list: string, { client, io }: Tools): Promise<ListedPage[]> {
  const text = await textOf(list, io);
  const { data } = await client().call('sites.read', { params: { site } });
  try {
    const pages = pagesInList(text, data);
    if (pages.length === 0) throw new UsedWrongly(`There is no page in “${list}”.`);
    return pages;
  } catch (error) {
    throw error instanceof PageListInvalid ? new UsedWrongly(error.message) : error;
  }
}

/* As many at a time as the service takes. */
async function add(
  site: string,
  pages: readonly ListedPage[],
  { client }: Tools,
): Promise<{ added: number; known: number }> {
  const sum = { added: 0, known: 0 };
  for (let from = 0; from < pages.length; from += mostPages) {
    const part = pages.slice(from, from + mostPages).map(({ path, title }) => ({ path, title }));
    const { data } = await client().call('pageImports.create', { params: { site }, body: { pages: part } });
    sum.added += data.added;
    sum.known += data.known;
  }
  return sum;
}

const foundTable = ({ pages }: FoundPages, { colours }: Tools): string =>
  pages.length === 0
    ? ''
    : `${table(
        ['page', 'title', ''],
        pages.map(({ key, title, isKnown }) => [key, title, isKnown ? 'in the register' : 'new']),
        colours,
      )}\n`;

function summaryOf({ pages, read, leftOut, unread, isCut }: FoundPages): string[] {
  return [
    `${plural(pages.length, 'page')} found; for that ${plural(read, 'address was', 'addresses were')} read.`,
    spoken.noPages(leftOut),
    isCut ? 'There are more; --most says how many are found.' : '',
    ...unread.map(({ address, why }) => `Not read: ${address}: ${why}`),
  ].filter(Boolean);
}

const addedOf = ({ added, known }: { added: number; known: number }, site: string): string =>
  added === 0
    ? `The register has them all. Nothing was added.`
    : `Added ${plural(added, 'page')} to ${site}${known > 0 ? `; ${known === 1 ? '1 was' : `${known} were`} there already` : ''}.`;

const nextStep = (count: number, site: string, list: string | undefined): string =>
  count === 0
    ? 'The register has them all.'
    : `${list === undefined ? `${count} of them new` : plural(count, 'page')}. “orbis pages ${site}${list === undefined ? '' : ` ${list}`} --add” adds them.`;
