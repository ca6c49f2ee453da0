import { basename, join } from 'node:path';
import { parse } from 'csv-parse/sync';
import ora from 'ora';
import type { BodyInput, ImportAnswer, Routes } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { pasted } from '../pasted.ts';
import { fold, plural } from '../text.ts';

type Item = BodyInput<Routes['imports.create']>['items'][number];

export const addImport: AddCommand = (program, run) => {
  program
    .command('import')
    .argument('<what>', 'a folder of codes, a CSV file (name, code, tags, note) or an NDJSON file; - for NDJSON on standard input')
    .option('--tag <tag...>', 'tags for all of them')
    .option('--dry-run', 'only say what would become of each')
    .option('--skip-refused', 'leave out what cannot be taken in, instead of taking in nothing')
    .description('put many codes into the collection at once, all of them or none')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis import codes/ --dry-run\n  orbis import codes.csv --tag old-site\n  cat codes.ndjson | orbis import -\n\nA CSV file (RFC 4180) has a first line with the names of its columns; tags stand in one field, with blanks or semicolons between them.\nExit status: 0 all taken in, 1 some were refused and left out, 2 refused.',
    )
    .action((what: string, options: { tag?: string[]; dryRun?: boolean; skipRefused?: boolean }) =>
      run(async (tools) => {
        const items = (await itemsIn(what, tools)).map((item) => ({ ...item, tags: [...(item.tags ?? []), ...(options.tag ?? [])] }));
        if (items.length === 0) throw new UsedWrongly(`There is no code in “${what}”.`);
        const spinner = tools.io.errIsTerminal ? ora({ text: `reading ${plural(items.length, 'code')}`, stream: process.stderr }).start() : null;
        const { data } = await tools
          .client()
          .call('imports.create', { body: { items, dryRun: options.dryRun ?? false, skipRefused: options.skipRefused ?? false } })
          .finally(() => spinner?.stop());
        tools.tell(data, () => describe(data, options.dryRun ?? false, tools));
        return data.refused.length > 0 ? 1 : 0;
      }),
    );
};

/** @throws UsedWrongly where a file is not what it should be, with its line. */
async function itemsIn(what: string, { io }: Tools): Promise<Item[]> {
  const names = what === '-' ? null : await io.readFolder(what);
  if (names) {
    const files = names.filter((name) => /\.(?:html?|txt|svg)$/i.test(name)).sort();
    return Promise.all(files.map(async (name) => ({ name: named(name), text: await io.readFile(join(what, name)) })));
  }
  const text = await pasted(what, io);
  return /\.csv$/i.test(what) ? fromCsv(text, what) : fromLines(text, what);
}

const named = (file: string): string =>
  basename(file)
    .replace(/\.[a-z]+$/i, '')
    .replaceAll(/[-_]+/g, ' ')
    .trim() || file;

function fromCsv(text: string, file: string): Item[] {
  let rows: Record<string, string>[];
  try {
    rows = parse(text, { columns: (heads: string[]) => heads.map((head) => head.trim().toLowerCase()), bom: true, skip_empty_lines: true });
  } catch (error) {
    throw new UsedWrongly(`“${file}” is no CSV file: ${error instanceof Error ? error.message : String(error)}`);
  }
  return rows.map((row, i) => item(row, `${file}, row ${i + 2}`));
}

function fromLines(text: string, file: string): Item[] {
  return text.split(/\r?\n/).flatMap((line, i) => {
    if (line.trim() === '') return [];
    try {
      return [item(JSON.parse(line) as Record<string, unknown>, `${file}, line ${i + 1}`)];
    } catch (error) {
      if (error instanceof UsedWrongly) throw error;
      throw new UsedWrongly(`${file}, line ${i + 1} is no JSON: ${error instanceof Error ? error.message : String(error)}`);
    }
  });
}

function item(row: Record<string, unknown>, where: string): Item {
  const word = (name: string): string => (typeof row[name] === 'string' ? row[name] : '');
  const code = word('code');
  if (word('name').trim() === '' || code.trim() === '') throw new UsedWrongly(`${where} needs a name and a code (columns: name, code, tags, note).`);
  const tags = Array.isArray(row['tags']) ? row['tags'].map(String) : word('tags').split(/[\s;]+/);
  return { name: word('name'), text: code, tags: tags.filter(Boolean), notes: word('note') };
}

function describe({ taken, doubled, refused }: ImportAnswer, dryRun: boolean, { colours, io }: Tools): string {
  const lines = [
    ...doubled.map(({ item, name, embed, sameAs }) => fold(`${item} ${name}: the same code as ${embed ?? `number ${sameAs}`}.`, io.width, '  ')),
    ...refused.map(({ item, name, detail }) => `${colours.red('refused')} ${item} ${name}\n${fold(detail, io.width, '  ')}`),
  ];
  const counts = [
    `${plural(taken.length, 'code')} ${dryRun ? 'would be taken in' : 'taken in'}`,
    doubled.length > 0 ? `${doubled.length} of them doubled` : '',
    refused.length > 0 ? `${refused.length} refused` : '',
  ].filter(Boolean);
  return `${lines.join('')}${counts.join(', ')}.${dryRun ? ' Nothing was done.' : ''}\n`;
}
