import {
  spoken,
  everyItem,
  formatState,
  mostCounted,
  mostWaiting,
  plural,
  type Client,
} from '@orbis/contract';
import { Argument, Option } from 'commander';
import { kinds, searchFields, type SearchField } from '@orbis/core';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { formatTimestamp, table } from '../text.ts';

const things = [
  'embeds',
  'sites',
  'pages',
  'placements',
  'sweeps',
  'harvests',
  'tokens',
  'providers',
  'changes',
] as const;
type Thing = (typeof things)[number];
interface Options {
  where?: string;
  kind?: (typeof kinds)[number];
  tag?: string;
  host?: string;
  level?: 'error' | 'warning' | 'note';
  site?: string;
  embed?: string;
  page?: string;
  state?: keyof typeof spoken.states;
}

export const addList: AddCommand = (program, run) => {
  program
    .command('list')
    .addArgument(new Argument('[thing]', 'what to list').choices(things).default('embeds'))
    .option(
      '--where <search>',
      'embeds that a search finds: words, field=value, “and”, “or”, brackets, “-” for not',
    )
    .addOption(new Option('--kind <kind>', 'embeds of one kind').choices(kinds))
    .option('--tag <tag>', 'embeds with a tag')
    .option('--host <host>', 'embeds whose code contacts a host')
    .addOption(
      new Option('--level <level>', 'embeds by the worst of their findings').choices([
        'error',
        'warning',
        'note',
      ]),
    )
    .option('--site <site>', 'pages or placements of one site')
    .option('--embed <embed>', 'placements of one embed')
    .addOption(new Option('--state <state>', 'placements in one state').choices(Object.keys(spoken.states)))
    .option('--page <page>', 'placements on one page')
    .description(
      'show the collection, sites, pages, placements, sweeps, harvests, tokens, providers or changes',
    )
    .addHelpText(
      'after',
      "\nExamples:\n  orbis list\n  orbis list --kind video --tag talks\n  orbis list --where 'kind=video,map -tag=talks placed=no'\n  orbis list placements --state out-of-date\n\nFields of a search:\n" +
        (Object.keys(searchFields) as SearchField[])
          .map((field) => `  ${searchFields[field].padEnd(36)}${spoken.search.fields[field]}`)
          .join('\n'),
    )
    .action((thing: Thing, options: Options) =>
      run(async (tools) => {
        refuseOthers(thing, options);
        await lists[thing](tools, options);
        return 0;
      }),
    );
};

/* What each list can be narrowed by. */
const switches: Record<Thing, readonly (keyof Options)[]> = {
  embeds: ['where', 'kind', 'tag', 'host', 'level'],
  sites: [],
  pages: ['site'],
  placements: ['site', 'page', 'embed', 'state'],
  sweeps: [],
  harvests: [],
  tokens: [],
  providers: [],
  changes: [],
};

function refuseOthers(thing: Thing, options: Options): void {
  const taken = switches[thing];
  const other = (Object.keys(options) as (keyof Options)[]).find((name) => !taken.includes(name));
  if (other === undefined) return;
  const whose = things.filter((each) => switches[each].includes(other)).join(' and ');
  throw new UsedWrongly(
    `--${other} narrows the list of ${whose}; that of ${thing} takes ${taken.length === 0 ? 'none' : taken.map((name) => `--${name}`).join(', ')}.`,
  );
}

async function all<T>(
  page: (after: string | undefined) => Promise<{ data: { items: T[]; next: string | null } }>,
): Promise<T[]> {
  const items: T[] = [];
  for await (const item of everyItem(async (after) => (await page(after)).data)) items.push(item);
  return items;
}

function show(tools: Tools, items: unknown[], heads: string[], rows: () => string[][], none: string): void {
  tools.tell(items, () => (items.length === 0 ? `${none}\n` : table(heads, rows(), tools.colours)));
}

const limit = 200;
const lists: Record<Thing, (tools: Tools, options: Options) => Promise<void>> = {
  embeds: async (tools, { where, kind, tag, host, level }) => {
    const items = await all((after) =>
      tools.client().call('embeds.list', { query: { limit, after, where, kind, tag, host, level } }),
    );
    const none =
      where || kind || tag || host || level
        ? 'Nothing in the collection fits that.'
        : 'The collection is empty. “orbis collect FILE --name NAME” puts the first code into it.';
    show(
      tools,
      items,
      ['key', 'name', 'kind', 'revision', 'placed', 'findings', 'tags'],
      () =>
        items.map((e) => [
          e.key,
          e.retired ? `${e.name} (retired)` : e.name,
          e.kind,
          String(e.revision),
          String(e.placements),
          e.level ?? '–',
          e.tags.join(', '),
        ]),
      none,
    );
  },
  sites: async (tools) => {
    const items = await all((after) => tools.client().call('sites.list', { query: { limit, after } }));
    show(
      tools,
      items,
      ['key', 'name', 'address', 'pages'],
      () => items.map((s) => [s.key, s.name, s.address, String(s.pages)]),
      'There is no site yet. “orbis add site KEY ADDRESS” declares one.',
    );
  },
  pages: async (tools, { site }) => {
    const items = await all((after) => tools.client().call('pages.list', { query: { limit, after, site } }));
    const rows = (): string[][] =>
      items.map((p) => [
        p.key,
        p.title,
        p.spots.map((s) => s.name).join(', ') || '–',
        formatTimestamp(p.checkedAt),
      ]);
    show(
      tools,
      items,
      ['page', 'title', 'spots', 'last read'],
      rows,
      'There is no page yet. “orbis add page SITE/PATH” adds one.',
    );
  },
  placements: async (tools, options) => {
    let waiting = 0;
    const items = await placementsOf(tools.client(), options, (count) => (waiting = count));
    show(
      tools,
      items,
      ['placement', 'embed', 'place', 'state', 'revision', 'last seen'],
      () =>
        items.map((p) => [
          p.id,
          p.embed,
          p.place,
          formatState(p.state),
          formatRevision(p),
          formatTimestamp(p.lastSeenAt),
        ]),
      'There is no such placement. “orbis place EMBED PLACE” makes one.',
    );
    if (waiting > 0)
      tools.io.err(
        `Something was changed: for ${waiting < mostWaiting ? plural(waiting, 'place') : `${mostWaiting} places or more`} it is still being worked out whether they carry what they should. Ask again in a moment.\n`,
      );
  },
  sweeps: async (tools) => {
    const items = await all((after) => tools.client().call('sweeps.list', { query: { limit, after } }));
    show(
      tools,
      items,
      ['sweep', 'of', 'state', 'pages read', 'begun'],
      () =>
        items.map((s) => [
          s.id,
          s.scope ?? 'everything',
          s.state,
          `${s.read} of ${s.pages}`,
          formatTimestamp(s.createdAt),
        ]),
      'Nothing has been swept yet. “orbis sweep” reads the published pages.',
    );
  },
  harvests: async (tools) => {
    const items = await all((after) => tools.client().call('harvests.list', { query: { limit, after } }));
    show(
      tools,
      items,
      ['harvest', 'page', 'found', 'taken', 'known', 'read'],
      () =>
        items.map((h) => [
          h.id,
          h.title ?? h.address ?? '–',
          String(h.found),
          String(h.taken),
          String(h.known),
          formatTimestamp(h.createdAt),
        ]),
      'No page has been harvested yet. “orbis harvest ADDRESS” finds the embeds on a page of yours.',
    );
  },
  tokens: async (tools) => {
    const items = await all((after) => tools.client().call('tokens.list', { query: { limit, after } }));
    show(
      tools,
      items,
      ['token', 'name', 'made', 'last used'],
      () => items.map((t) => [t.id, t.name, formatTimestamp(t.createdAt), formatTimestamp(t.lastUsedAt)]),
      'There is no token.',
    );
  },
  changes: async (tools) => {
    const items = await all((after) => tools.client().call('changes.list', { query: { limit, after } }));
    show(
      tools,
      items,
      ['change', 'what was done', 'when', 'taken back'],
      () =>
        items.map((c) => [
          c.id,
          c.said,
          formatTimestamp(c.createdAt),
          c.undoneAt ? formatTimestamp(c.undoneAt) : c.lasting ? 'cannot be' : '–',
        ]),
      'Nothing was done yet. “orbis collect FILE --name NAME” puts the first code into the collection.',
    );
  },
  providers: async (tools) => {
    const items = await all((after) => tools.client().call('providers.list', { query: { limit, after } }));
    show(
      tools,
      items,
      ['provider', 'name', 'kind', 'sheet', 'embeds'],
      () =>
        items.map((s) => [
          s.id,
          s.sheet.name,
          s.sheet.kind,
          spoken.sheetOrigins[s.from],
          s.embeds < mostCounted ? String(s.embeds) : `${mostCounted} or more`,
        ]),
      'No provider sheet is known.',
    );
  },
};

/**
 * Every placement of these; `waiting` is told of how many it is still being worked out
 * whether they are out of date.
 */
export const placementsOf = (
  client: Client,
  { site, page: of, embed, state }: Pick<Options, 'site' | 'page' | 'embed' | 'state'>,
  waiting: (count: number) => unknown = () => undefined,
) =>
  all(async (after) => {
    const page = await client.call('placements.list', {
      query: { limit, after, site, page: of, embed, state },
    });
    waiting(page.data.waiting);
    return page;
  });

/** Which revision the page carries, and which is the newest where that differs. */
export function formatRevision(placement: {
  revision: number;
  served: boolean;
  carries: { revision: number | null } | null;
}): string {
  if (placement.served) return `${placement.revision}, by link`;
  const carried = placement.carries?.revision;
  if (carried === undefined) return `– of ${placement.revision}`;
  return carried === placement.revision ? String(carried) : `${carried ?? '?'} of ${placement.revision}`;
}
