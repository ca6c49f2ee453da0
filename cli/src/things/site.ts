import { Option } from 'commander';
import {
  changesCodes,
  kinds,
  parseColour,
  pastedLanguages,
  withoutOptions,
  type Kind,
  type KindDefaults,
  type PastedLanguage,
} from '@orbis/core';
import { languageName, optionsLine, plural, spoken, type Site } from '@orbis/contract';
import { parseAsked } from '../asked.ts';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { scheduleIn } from './schedule-asked.ts';
import { every, limit, tellList } from './every.ts';
import { endedWith, endsPlacements, refuseToEnd } from './standing.ts';
import type { Thing } from './thing.ts';

interface Options {
  kind: Kind | 'any';
  unset?: string[];
  name?: string;
  address?: string;
  also?: string;
  language?: PastedLanguage;
  colours?: string;
  sweep?: string;
  rendered?: 'yes' | 'no';
  timeZone?: string;
}

/** Websites that are declared as one's own. */
export const site: Thing = {
  list: (verb, run) => {
    verb
      .command('sites')
      .description('your sites')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('sites.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              key: ({ key }) => key,
              name: ({ name }) => name,
              address: ({ address }) => address,
              pages: ({ pages }) => String(pages),
            },
            'There is no site yet. “orbis add site KEY ADDRESS” declares one.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('site')
      .argument('<site>', 'its key')
      .description('where it is, and what holds for all embeds on it')
      .addHelpText('after', '\nExample:\n  orbis show site hollinfell')
      .action((key: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('sites.read', { params: { site: key } });
          tools.tell(data, () => describeSite(data, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('site')
      .argument('<key>', 'a short key, such as hollinfell')
      .argument('<address>', 'where it is published, such as https://site.example')
      .option('--name <name>', 'what to call it')
      .description('declare a website as yours')
      .addHelpText(
        'after',
        '\nExample:\n  orbis add site hollinfell https://hollinfell.example --name "Hollin Fell Observatory"',
      )
      .action((key: string, address: string, options: { name?: string }) =>
        run(async (tools) => {
          const { data } = await tools
            .client()
            .call('sites.create', { body: { key, address, name: options.name ?? key } });
          tools.confirm(data, () => `Added the site ${data.key} at ${data.address}.\n`);
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('site')
      .argument('<site>', 'its key')
      .argument('[values...]', 'head=yes or head=no, and options for every embed on it, as name=value')
      .addOption(
        new Option('--kind <kind>', 'options only for embeds of this kind')
          .choices(['any', ...kinds])
          .default('any'),
      )
      .option('--unset <names...>', 'take such options back')
      .option('--name <name>', 'call it something else; its key stays')
      .option('--address <address>', 'it is published elsewhere now')
      .option(
        '--also <addresses>',
        'where it is to be seen as well, such as with www or as a preview, with commas between them; none takes them away',
      )
      .addOption(
        new Option(
          '--language <language>',
          'the language of its pages, for words that visitors read',
        ).choices(pastedLanguages),
      )
      .option(
        '--colours <colours>',
        'its colours with commas between them, to choose from; none takes them away',
      )
      .option(
        '--sweep <when>',
        'when its pages are read by themselves: hour, day@03:00, monday@03:00 or never',
      )
      .option(
        '--time-zone <zone>',
        'what that time is meant in, such as Europe/London; else that of this machine',
      )
      .addOption(rendered)
      .description(
        'name it, say whether code can be put into the heads of its pages, set options for all embeds on it',
      )
      .addHelpText(
        'after',
        `
Examples:
  orbis change site hollinfell head=yes
  orbis change site hollinfell align=centre
  orbis change site hollinfell --language de
  orbis change site hollinfell --also "https://www.hollinfell.example, https://preview.hollinfell.example"
  orbis change site hollinfell --colours "#2f6145, #f4efe6"
  orbis change site hollinfell --sweep day@03:00
  orbis change site hollinfell max-width=720 --kind video

What is asked of an embed itself, or of one of its places, wins over what its site asks.`,
      )
      .action((key: string, words: string[], options: Options) =>
        run((tools) => changeSite(tools, key, words, options)),
      );
  },
  remove: (verb, run) => {
    verb
      .command('site')
      .argument('<site>', 'its key')
      .addOption(endsPlacements())
      .description('a site with its pages')
      .addHelpText('after', '\n“orbis undo” has it again, with its pages and all that was placed on them.')
      .action((site: string, { endPlacements = false }: { endPlacements?: boolean }) =>
        run(async (tools) => {
          const client = tools.client();
          const { etag } = await client.call('sites.read', { params: { site } });
          const { data: standing } = await client.call('sites.standing', { params: { site } });
          refuseToEnd('site', site, standing, endPlacements);
          const query = endPlacements ? { placements: 'end' as const } : {};
          await client.call('sites.delete', { params: { site }, query, ifMatch: etag ?? '*' });
          tools.confirm(
            { removed: site, pages: standing.pages, ended: standing.placements },
            () => `Removed the site ${site} with ${plural(standing.pages, 'page')}${endedWith(standing)}.\n`,
          );
          return 0;
        }),
      );
  },
};

async function changeSite(
  tools: Tools,
  key: string,
  words: string[],
  { kind, unset = [], ...named }: Options,
): Promise<Exit> {
  if (named.timeZone !== undefined && named.sweep === undefined)
    throw new UsedWrongly('--time-zone says what the time of --sweep is meant in: give both.');
  const values = valuesIn(named);
  if (words.length === 0 && unset.length === 0 && Object.keys(values).length === 0)
    throw new UsedWrongly(
      'Say what to change: head=yes, an option, --unset, --name, --address, --also, --language, --colours, --sweep or --rendered.',
    );
  const client = tools.client();
  const now = await client.call('sites.read', { params: { site: key } });
  const head = headIn(words);
  const asked = await parseAsked(
    words.filter((word) => !word.startsWith('head=')),
    tools.client,
    null,
  );
  const defaults: KindDefaults = {
    ...now.data.defaults,
    [kind]: { ...withoutOptions(now.data.defaults[kind] ?? {}, unset), ...asked },
  };
  const hasOptions = unset.length > 0 || Object.keys(asked).length > 0;
  const { data } = await client.call('sites.change', {
    params: { site: key },
    ifMatch: now.etag ?? '',
    body: {
      ...values,
      ...(hasOptions && { defaults }),
      ...(head !== null && { head }),
    },
  });
  const paste =
    hasOptions || head !== null || named.language !== undefined
      ? '\nPages keep the code that they carry until you paste the new one there: “orbis list placements --state out-of-date” tells where.\n'
      : '';
  tools.confirm(data, () => `${describeSite(data, tools.colours)}${paste}`);
  return 0;
}

const rendered = new Option(
  '--rendered <yes|no>',
  'whether a page is read with a browser as well where something on it is not seen: for pages that scripts build',
).choices(['yes', 'no']);

/* What the site says of itself from now on. */
const valuesIn = ({
  colours,
  also,
  sweep,
  timeZone,
  rendered: isRendered,
  ...named
}: Omit<Options, 'kind' | 'unset'>) => ({
  ...named,
  ...(sweep !== undefined && { schedule: scheduleIn(sweep, timeZone) }),
  ...(isRendered !== undefined && { rendered: isRendered === 'yes' }),
  ...(colours !== undefined && { colours: coloursIn(colours) }),
  ...(also !== undefined && { furtherAddresses: wordsIn(also) }),
});

/* What stands between commas; nothing where it says none. */
const wordsIn = (text: string): string[] =>
  text.trim().toLowerCase() === 'none' ? [] : text.split(',').map((word) => word.trim());

function coloursIn(text: string): string[] {
  return wordsIn(text).map((word) => {
    const colour = parseColour(word);
    if (!colour.ok) throw new UsedWrongly(`“${word}” is no colour. A colour is such as #2f6145 or teal.`);
    return colour.value;
  });
}

function headIn(words: readonly string[]): boolean | null {
  const said = words.findLast((word) => word.startsWith('head='));
  if (said === undefined) return null;
  if (said !== 'head=yes' && said !== 'head=no')
    throw new UsedWrongly(`“${said}” is neither head=yes nor head=no.`);
  return said === 'head=yes';
}

function describeSite(
  {
    key,
    name,
    address,
    furtherAddresses,
    pages,
    head,
    language,
    colours: own,
    frameStyle,
    editor,
    defaults,
    schedule,
    nextSweepAt,
    rendered,
  }: Site,
  colours: Colours,
): string {
  const asked = (Object.keys(defaults) as (Kind | 'any')[])
    .filter((kind) => Object.keys(defaults[kind] ?? {}).length > 0)
    .map((kind): [string, string] => [
      kind === 'any' ? 'Of all embeds' : `Of ${spoken.kindNames[kind].many}`,
      optionsLine(defaults[kind] ?? {}),
    ]);
  return facts(
    [
      ['Key', key],
      ['Name', name],
      ['Address', address],
      ...(furtherAddresses.length > 0 ? [['Also at', furtherAddresses.join(', ')] as [string, string]] : []),
      ['Pages', String(pages)],
      [
        'Read',
        `${spoken.schedule(schedule)}${nextSweepAt === null ? '' : `, next ${formatTimestamp(nextSweepAt)}`}`,
      ],
      ...(rendered ? [['With', 'a browser, where something is not seen'] as [string, string]] : []),
      ['Language', languageName(language)],
      ['Colours', own.join(', ') || 'none kept: “orbis colours” reads them'],
      ['Into the head', head ? 'yes: loaders and styles go there once a page' : 'no: each code stays whole'],
      [
        'Style for frames',
        frameStyle === '' ? 'none: “orbis style” makes one' : 'kept: “orbis style” shows it',
      ],
      [
        'Its editor',
        changesCodes(editor)
          ? `“orbis editor ${key}” shows what it lets through`
          : 'lets everything through, as far as is known',
      ],
      ...asked,
    ],
    colours,
  );
}
