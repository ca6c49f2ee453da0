// Writes what the documents take from the code: the commands, the options, the errors, the search language,
// the schema of a sheet, and the README's list of settings.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { everyCommand, makeProgram } from '@orbis/cli';
import { allOptions, handName, ownOptions, searchFields, type Option, type SearchField } from '@orbis/core';
import { builtInSheets } from '@orbis/sheets';
import {
  catalogue,
  spoken,
  optionWords,
  optionsLine,
  listServiceSettings,
  registerJsonSchema,
  sheetJsonSchema,
} from '@orbis/contract';
import { optionLooks, type Look } from './looks/options.ts';

const top = new URL('../', import.meta.url);

/** The document of the catalogue of errors. */
export function errorsDocument(): string {
  const rows = Object.entries(catalogue).map(
    ([code, { status, exit, title }]) => `| \`${code}\` | ${status} | ${exit} | ${title} |`,
  );
  return `# Errors

Every error of the HTTP interface is a problem document (RFC 9457) with one of these codes in \`code\`, and a sentence for people in \`detail\`. The command line prints that sentence and ends with the exit status.

| code | HTTP status | exit status | title |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
}

/** The README with its list of settings renewed. */
export function renewedReadme(readme: string): string {
  const rows = listServiceSettings().map(
    ({ name, meaning, default: fallback }) =>
      `| \`${name}\` | ${fallback ? `\`${fallback}\`` : ''} | ${meaning} |`,
  );
  const list = ['| setting | default | meaning |', '| --- | --- | --- |', ...rows].join('\n');
  return readme.replace(/(<!-- settings -->)[\s\S]*?(<!-- end of settings -->)/, `$1\n\n${list}\n\n$2`);
}

/** The document of the search language. */
export function searchDocument(): string {
  const rows = (Object.keys(searchFields) as SearchField[]).map(
    (field) => `| \`${field}\` | ${spoken.search.fields[field]} | \`${searchFields[field]}\` |`,
  );
  return `# Searching

One small language finds embeds everywhere: in the console's collection, with \`orbis list embeds --where\`, with \`orbis set --where\` and \`orbis unset --where\`, and as \`where\` in the HTTP interface.

Terms with blanks or \`and\` between them must all hold. A term is a word (looked for in name, notes and tags), words in quotes, or a field with a value:

| field | meaning | example |
| --- | --- | --- |
${rows.join('\n')}

- \`kind=video,audio\`: any of them. \`tag!=talks\` and \`-tag=talks\`: not this one. \`-\` also stands before words and brackets.
- \`or\` between terms: \`kind=map or tag=visit\`. It binds less than the blank: \`a b or c\` is \`(a b) or c\`.
- Brackets: \`placed=no (kind=video or kind=audio)\`.
- Values with blanks, commas or brackets in them stand in quotes: \`tag="night log"\`; a quotation mark within is written \`\\"\`.
- An empty search finds everything.

The register and the pages are searched in the same form, by one value for each field, all of which must hold: \`orbis list placements --where 'state=out-of-date site=hollinfell'\` (\`state\`, \`site\`, \`page\`, \`embed\`, and \`host\` for what loads from one), \`orbis list pages --where site=hollinfell\`. What is asked for most often has a switch as well: \`--state\`, \`--site\`, \`--kind\`, \`--tag\`.

What cannot be understood is refused with the column where it begins. A change of all that a search finds is tried with \`--dry-run\`, done as one, and taken back with \`orbis undo\`.
`;
}

/** The document of everything that can be asked of an embed. */
export function optionsDocument(): string {
  const table = (stage: Option['stage']): string =>
    allOptions
      .filter((option) => option.stage === stage)
      .map(
        ({ name, type, kinds, example }) =>
          `| \`${name}\` | ${valueOf(type)} | ${kinds === 'any' ? 'any' : kinds.join(', ')} | \`${name}=${example}\` | ${optionWords(name).explain} |`,
      )
      .join('\n');
  const head =
    '| option | value | of which kinds | example | what it does |\n| --- | --- | --- | --- | --- |';
  return `# Options

Everything that can be asked of an embed. On the command line an option is a word, \`orbis set opening-talk start=1:52\`; in the HTTP interface it is a member of \`options\`, in canonical units (\`{ "start": 112 }\`); in the console it is a field. Which of them a provider offers says its sheet: \`orbis options kinorill\`.

A value can be asked for at several levels, and the nearer wins: at one place (\`orbis set opening-talk@hollinfell/talks#opening max-width=320\`), of the embed, of all embeds of a site (\`orbis change site hollinfell max-width=720 --kind video\`), by a rule for all (\`orbis show rules\`), and last what the code itself says. \`orbis show embed opening-talk@hollinfell/talks#opening\` says where each value comes from.

## Settings: what is inside

${head}
${table('settings')}
| \`${handName('NAME')}\` | text | any | \`${handName('hue')}=12\` | ${spoken.byHand.explain} |

## Presentation: how it stands on the page

${head}
${table('presentation')}

On phones (below 600 px) and on tablets (from there to 1024 px) the options with such a row may have another value: \`max-width.phone=320\`. A style attribute cannot say that, so the code gets a class and the page’s head a few rules. Where the site has no way into the head of its pages (\`orbis change site hollinfell head=yes\` says that it has), these values are kept, not carried, and named; frames that Orbis serves itself always have them.

## Isolation: what stands between it and the page

${head}
${table('isolation')}

\`orbis permissions opening-talk\` says which way is recommended for an embed, which ones it cannot have, and what its frame lets it do and why. What each way protects from, and what not: [its frame](frame.md).

## What only one provider has

A provider’s sheet can declare options of its own ([provider sheets](provider-sheets.md)). They are asked for like all others, by their names; where embeds of several providers are meant, as with the defaults of a site, the sheet’s id may stand before it, and has to where two sheets have one of the same name: \`orbis change site hollinfell fennfeed.layout=grid\`.

| provider | option | value | example | what it does |
| --- | --- | --- | --- | --- |
${ownTable()}
`;
}

const ownTable = (): string =>
  builtInSheets()
    .flatMap((sheet) =>
      ownOptions(sheet).map(
        ({ name, type, example, own }) =>
          `| ${sheet.name} | \`${name}\` | ${valueOf(type)} | \`${name}=${example}\` | ${own!.explain} |`,
      ),
    )
    .join('\n');

function valueOf({ name, limits: { least, most, whole, unit, words, length } }: Option['type']): string {
  if (words) return words.join(' or ');
  if (length !== undefined) return `${name}, at most ${length} characters`;
  if (least === undefined || most === undefined) return name;
  return [whole ? 'whole number' : 'number', `from ${least} to ${most}`, unit ?? '']
    .filter(Boolean)
    .join(' ');
}

/** The document in which each option of presentation is seen. */
export function looksDocument(): string {
  const looks = Object.entries(optionLooks(0));
  const cells = looks.flatMap(([name, look]) => (look ? [cellOf(name, look)] : []));
  const rows = cells.flatMap((cell, i) => (i % 2 === 0 ? [`| ${cell} | ${cells[i + 1] ?? ''} |`] : []));
  const unseen = looks.flatMap(([name, look]) => (look ? [] : [`\`${name}\``]));
  return `# Looks

What each option of presentation does to an embed, on codes of the demo’s providers in a small page of text. [Look](look.md) says how they are set, [Options](options.md) what values they take.

| | |
| --- | --- |
${rows.join('\n')}

Nothing of ${unseen.slice(0, -1).join(', ')} and ${unseen.at(-1)} can be seen in a picture: they say what happens when somebody presses, how browsers load, or what people hear who cannot see.
`;
}

/* A look, with all that is asked for it. */
function cellOf(name: string, { options }: Look): string {
  const asked = Object.fromEntries(
    Object.entries(options).map(([option, value]) => [
      option,
      option === 'still' ? 'https://hollinfell.example/still.webp' : value,
    ]),
  );
  return `![${name}](looks/${name}.webp)<br>**${name}**: ${optionWords(name).explain}<br>\`${optionsLine(asked)}\``;
}

/** The JSON Schema of a provider's sheet. */
export const sheetSchemaDocument = (): string => `${JSON.stringify(sheetJsonSchema(), null, 2)}\n`;

/** The JSON Schema of a line of a register file. */
export const registerSchemaDocument = (): string => `${JSON.stringify(registerJsonSchema(), null, 2)}\n`;

/** The reference of the command line: what the help of each command says. */
export function commandsDocument(): string {
  const program = makeProgram({ out: () => {}, err: () => {}, width: 100 }, () => Promise.resolve());
  const commands = everyCommand(program).map(
    ({ path, command }) => `## orbis ${path}\n\n\`\`\`text\n${helpOf(command)}\n\`\`\`\n`,
  );
  return `# Every command

What \`--help\` says of each command of \`orbis\`. [The book](README.md) has them in the order of the work.

\`\`\`text
${helpOf(program)}
\`\`\`

${commands.join('\n')}`;
}

/* With what stands behind the help proper: examples, statuses. */
function helpOf(command: ReturnType<typeof makeProgram>): string {
  let text = '';
  command.configureOutput({ writeOut: (written) => void (text += written), getOutHelpWidth: () => 100 });
  command.outputHelp();
  return text
    .trim()
    .split('\n')
    .map((line) => line.trimEnd())
    .join('\n');
}

/* Each with what it should be. */
const documents: Readonly<Record<string, (now: string) => string>> = {
  'README.md': renewedReadme,
  'docs/commands.md': commandsDocument,
  'docs/errors.md': errorsDocument,
  'docs/looks.md': looksDocument,
  'docs/options.md': optionsDocument,
  'docs/provider-sheet.schema.json': sheetSchemaDocument,
  'docs/register-file.schema.json': registerSchemaDocument,
  'docs/search.md': searchDocument,
};

const read = (name: string): string => {
  const file = new URL(name, top);
  return existsSync(file) ? readFileSync(file, 'utf8') : '';
};

/** The documents that are not as the code would have them. */
export const staleDocuments = (): string[] =>
  Object.entries(documents)
    .filter(([name, made]) => made(read(name)) !== read(name))
    .map(([name]) => name);

if (process.argv[1]?.endsWith('docs.ts'))
  for (const [name, made] of Object.entries(documents)) writeFileSync(new URL(name, top), made(read(name)));
