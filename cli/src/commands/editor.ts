import { Option } from 'commander';
import { askedValues, openEditor, type AskedField, type EditorRules, type TakenNames } from '@orbis/core';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeEditor, describeEvidence } from '../describe/editor.ts';
import type { Exit } from '../io.ts';
import { textOf } from '../pasted.ts';

/* How many there may be. */
type Most = number | 'any';

interface Options {
  from?: string;
  everything?: boolean;
  takes?: EditorRules['takes'];
  withoutElements?: string;
  onlyElements?: string;
  withoutAttributes?: string;
  onlyAttributes?: string;
  inlineScripts?: boolean;
  comments?: boolean;
  firstLine?: string;
  lastLine?: string;
  showsUnpublished?: boolean;
  delay?: number;
  styleField?: boolean;
  scriptField?: boolean;
  mostHosts?: Most;
  mostScripts?: Most;
  mostKilobytes?: Most;
  companion?: string;
  asksFor?: string;
  notes?: string;
}

const yesNo = (word: string): boolean => {
  if (word !== 'yes' && word !== 'no') throw new UsedWrongly(`“${word}” is neither yes nor no.`);
  return word === 'yes';
};
/* Longer ones are typed wrongly; how large each may be is said by the service. */
const longestNumber = 6;
const wholeNumber = (word: string): number => {
  if (!/^\d+$/.test(word) || word.length > longestNumber)
    throw new UsedWrongly(`“${word}” is no whole number.`);
  return Number(word);
};
const most = (word: string): Most => (word === 'any' ? word : wholeNumber(word));

export const addEditor: AddCommand = (program, run) => {
  program
    .command('editor')
    .argument('<site>', 'its key')
    .argument('[file]', 'rules that it is to have, as --json prints them; - for standard input')
    .option('--from <site>', 'have the rules of another site')
    .option('--everything', 'it lets everything through')
    .addOption(new Option('--takes <what>', 'codes, or links alone').choices(['code', 'link']))
    .option('--without-elements <names>', 'elements that it takes out, with commas between them')
    .option('--only-elements <names>', 'elements that it lets through, and no other')
    .option('--without-attributes <names>', 'attributes that it takes out; data-* for all that begin so')
    .option('--only-attributes <names>', 'attributes that it lets through, and no other')
    .option('--inline-scripts <yes|no>', 'whether scripts with their text in them come through', yesNo)
    .option('--comments <yes|no>', 'whether comments come through', yesNo)
    .option('--first-line <line>', 'what must stand in a line before a code; none for nothing')
    .option('--last-line <line>', 'what must stand in a line behind it; none for nothing')
    .option('--shows-unpublished <yes|no>', 'whether it shows embeds before publishing', yesNo)
    .option('--delay <minutes>', 'until what was published can be seen', wholeNumber)
    .option('--style-field <yes|no>', 'whether a page has a field for bare style rules (CSS)', yesNo)
    .option('--script-field <yes|no>', 'whether a page has a field for a bare script', yesNo)
    .option('--most-hosts <number>', 'how many hosts a page may contact; any for no limit', most)
    .option('--most-scripts <number>', 'how many scripts a page may have; any for no limit', most)
    .option('--most-kilobytes <number>', 'how many kB browsers may load for a page; any for no limit', most)
    .option('--companion <file>', 'a code that each page needs once beside what is pasted; none for nothing')
    .option(
      '--asks-for <fields>',
      'what it asks for beside a code, as Label=title, Label=name or Label=address with commas between them; none for nothing',
    )
    .option('--notes <words>', 'where to click, for whoever pastes; none for nothing')
    .description('what a site’s editor lets through, and how one works with it')
    .addHelpText(
      'after',
      `
Examples:
  orbis editor hollinfell
  orbis editor hollinfell --without-elements "script, style" --delay 2
  orbis editor darkskyweek --from hollinfell
  orbis editor hollinfell --json > editor.json
  orbis editor darkskyweek editor.json

“orbis specimen SITE” finds out what comes through. Whether code can be put into the head of its pages says
“orbis change site SITE head=yes”.`,
    )
    .action((site: string, file: string | undefined, options: Options) =>
      run((tools) => editor(tools, site, file, options)),
    );
};

async function editor(tools: Tools, site: string, file: string | undefined, options: Options): Promise<Exit> {
  const client = tools.client();
  const found = await client.call('sites.read', { params: { site } });
  const asked = {
    ...(await wholeRules(tools, file, options)),
    ...rulesIn(options),
    ...(await companionIn(tools, options)),
  };
  if (Object.keys(asked).length === 0) {
    const { last } = (await client.call('sites.specimen', { params: { site } })).data;
    tools.tell(
      found.data.editor,
      () => describeEditor(found.data, tools.colours) + describeEvidence(last, tools),
    );
    return 0;
  }
  const { data } = await client.call('sites.change', {
    params: { site },
    ifMatch: found.etag ?? '*',
    body: { editor: asked },
  });
  tools.confirm(data.editor, () => describeEditor(data, tools.colours));
  tools.note(
    '\nPages keep the code that they carry until you paste the new one there: “orbis list placements --state out-of-date” tells where.\n',
  );
  return 0;
}

/* All rules at once: of a file, of another site, or none. */
async function wholeRules(
  tools: Tools,
  file: string | undefined,
  { from, everything = false }: Options,
): Promise<Partial<EditorRules>> {
  if ([file !== undefined, from !== undefined, everything].filter(Boolean).length > 1)
    throw new UsedWrongly('Give a file, or --from, or --everything: only one of them.');
  if (everything) return openEditor;
  if (from !== undefined)
    return (await tools.client().call('sites.read', { params: { site: from } })).data.editor;
  return file === undefined ? {} : rulesOf(await textOf(file, tools.io));
}

/* Whether they fit is said by the service, as of every other value. */
function rulesOf(text: string): Partial<EditorRules> {
  try {
    const read: unknown = JSON.parse(text);
    if (typeof read === 'object' && read !== null && !Array.isArray(read)) return read;
  } catch {
    // What it is then is said below, as of a list.
  }
  throw new UsedWrongly('These are no rules as “orbis editor SITE --json” prints them.');
}

function rulesIn(options: Options): Partial<EditorRules> {
  const { withoutElements, onlyElements, withoutAttributes, onlyAttributes } = options;
  const elements = taken('elements', withoutElements, onlyElements);
  const attributes = taken('attributes', withoutAttributes, onlyAttributes);
  const { takes, inlineScripts, comments, showsUnpublished, delay, styleField, scriptField } = options;
  const words = {
    firstLine: noneIsEmpty(options.firstLine),
    lastLine: noneIsEmpty(options.lastLine),
    notes: noneIsEmpty(options.notes),
  };
  const limits = {
    mostHosts: anyIsNull(options.mostHosts),
    mostScripts: anyIsNull(options.mostScripts),
    mostKilobytes: anyIsNull(options.mostKilobytes),
  };
  const all = {
    ...{ elements, attributes, takes, inlineScripts, comments, showsUnpublished, delay },
    ...{ styleField, scriptField },
    asksFor: fieldsIn(options.asksFor),
    ...{ ...limits, ...words },
  };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
}

async function companionIn(tools: Tools, { companion }: Options): Promise<Partial<EditorRules>> {
  if (companion === undefined) return {};
  return { companion: companion === 'none' ? '' : (await textOf(companion, tools.io)).trim() };
}

function fieldsIn(text: string | undefined): AskedField[] | undefined {
  if (text === undefined) return undefined;
  if (text === 'none') return [];
  return text.split(',').map((each) => {
    const at = each.lastIndexOf('=');
    const value = askedValues.find((known) => known === each.slice(at + 1).trim());
    const label = each.slice(0, Math.max(0, at)).trim();
    if (value === undefined || label === '')
      throw new UsedWrongly(
        `“${each.trim()}” should be such as Title=title, ending in ${askedValues.join(', ')}.`,
      );
    return { label, value };
  });
}

const anyIsNull = (most: Most | undefined): number | null | undefined => (most === 'any' ? null : most);
const noneIsEmpty = (text: string | undefined): string | undefined => (text === 'none' ? '' : text);

function taken(what: string, without: string | undefined, only: string | undefined): TakenNames | undefined {
  if (without !== undefined && only !== undefined)
    throw new UsedWrongly(`Say --without-${what} or --only-${what}: only one of them.`);
  const names = (text: string): string[] =>
    text === 'none' ? [] : text.split(',').map((name) => name.trim().toLowerCase().replace(/^<|>$/g, ''));
  if (without !== undefined) return { which: 'these', names: names(without) };
  return only === undefined ? undefined : { which: 'all-but', names: names(only) };
}
