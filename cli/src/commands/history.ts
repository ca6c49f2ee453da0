import { Option } from 'commander';
import {
  ApiError,
  isBlockPath,
  parsePage,
  spoken,
  type Happened,
  type Look,
  type PageNews,
} from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeHappened, describeNews } from '../describe/history.ts';
import { formatTimestamp } from '../text.ts';
import { every, limit } from '../things/every.ts';

/* Something that happened, of whatever kind. */
interface Entry extends Partial<Omit<Happened, 'at'>> {
  at: string;
  news?: PageNews;
  look?: Look;
}

export const addHistory: AddCommand = (program, run) => {
  program
    .command('history')
    .argument('<thing>', 'an embed, a site, or a page as site and path, such as hollinfell/talks')
    .addOption(new Option('--embed', 'the embed, where a site has the same key').conflicts('site'))
    .addOption(new Option('--site', 'the site, where an embed has the same key'))
    .description('what was done to an embed, a page or a site, and what was seen of it, the newest first')
    .addHelpText(
      'after',
      `
Examples:
  orbis history hollinfell/talks
  orbis history opening-talk
  orbis history hollinfell --site

What sweeps saw is told where it was something new. What was done at all is in “orbis list changes”.`,
    )
    .action((thing: string, asked: { embed?: true; site?: true }) =>
      run(async (tools) => {
        const isPage = thing.includes('/');
        const entries = isPage ? await ofPage(thing, tools) : await ofKey(thing, asked, tools);
        tools.tell(entries, () => describe(entries, thing, tools));
        if (isPage && !isBlockPath(parsePage(thing).path) && !entries.some(({ news }) => news))
          tools.note(`${thing} has not been read yet. “orbis sweep ${thing}” reads it.\n`);
        return 0;
      }),
    );
};

/* What sweeps saw there is told as they saw the whole page, and looks among it. */
async function ofPage(page: string, { client }: Tools): Promise<Entry[]> {
  const params = { page };
  const done = await every((after) => client().call('history.ofPage', { params, query: { limit, after } }));
  if (isBlockPath(parsePage(page).path)) return done;
  const news = await every((after) => client().call('sweeps.onPage', { params, query: { limit, after } }));
  const looks = await every((after) => client().call('looks.list', { params, query: { limit, after } }));
  const entries: Entry[] = [
    ...done.filter(({ seen }) => seen === null),
    ...news.map((each) => ({ at: each.at, news: each })),
    ...looks.map((each) => ({ at: each.at, look: each })),
  ];
  return entries.sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
}

async function ofKey(key: string, asked: { embed?: true; site?: true }, { client }: Tools): Promise<Entry[]> {
  const list = (name: 'history.ofEmbed' | 'history.ofSite'): Promise<Entry[]> =>
    every((after) => client().call(name, { params: { embed: key, site: key }, query: { limit, after } }));
  if (asked.site) return list('history.ofSite');
  if (asked.embed) return list('history.ofEmbed');
  const [embed, site] = [
    await unlessMissing(list('history.ofEmbed')),
    await unlessMissing(list('history.ofSite')),
  ];
  if (embed && site) throw new UsedWrongly(`${key} is an embed and a site: say --embed or --site.`);
  return embed ?? site ?? list('history.ofEmbed');
}

const unlessMissing = <T>(work: Promise<T>): Promise<T | null> =>
  work.catch((error: unknown) => {
    if (error instanceof ApiError && error.code === 'not-found') return null;
    throw error;
  });

function describe(entries: readonly Entry[], thing: string, tools: Tools): string {
  if (entries.length === 0) return `Nothing is known of what happened to ${thing}.\n`;
  let last = '';
  return entries
    .map((entry) => {
      const when = formatTimestamp(entry.at);
      const head = when === last ? '' : `${tools.colours.bold(when)}\n`;
      last = when;
      return head + describeEntry(entry, tools);
    })
    .join('');
}

function describeEntry({ news, look, change = null, by = null, seen = null }: Entry, tools: Tools): string {
  if (news) return describeNews(news, tools);
  if (!look) return describeHappened({ change, by, seen }, tools);
  const wrong = look.placed.filter(({ findings }) => findings.length > 0).length;
  return `  ${spoken.history.looked(wrong)}\n`;
}
