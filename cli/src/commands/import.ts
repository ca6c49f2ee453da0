import { join } from 'node:path';
import ora from 'ora';
import {
  ImportFileInvalid,
  itemsInFile,
  nameOfFile,
  outcomeOf,
  type BodyInput,
  type ImportAnswer,
  type ImportItem,
  type Routes,
  plural,
} from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { LargeFile } from '../files.ts';
import { describeTaken, importRegister, isRegister } from '../whole-register.ts';
import { pasted } from '../pasted.ts';
import { fold, progressBar, table } from '../text.ts';

export const addImport: AddCommand = (program, run) => {
  program
    .command('import')
    .argument(
      '<what>',
      'a folder of codes, a CSV file (name, code, tags, note), an NDJSON file, or a whole register as “orbis export” writes it; - for NDJSON on standard input',
    )
    .option('--tag <tag...>', 'tags for all of them')
    .option('--dry-run', 'only say what would become of each')
    .option('--skip-refused', 'leave out what cannot be taken in, instead of taking in nothing')
    .description('put many codes into the collection at once, or take a whole register in: all, or nothing')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis import codes/ --dry-run\n  orbis import codes.csv --tag old-site\n  cat codes.ndjson | orbis import -\n  orbis import register.ndjson\n\nA CSV file (RFC 4180; semicolons and tabs are understood too) has a first line with the names of its columns; tags stand in one field, with commas or semicolons between them.\nExit status: 0 all taken in, 1 some were refused and left out, 2 refused.',
    )
    .action((what: string, options: { tag?: string[]; dryRun?: boolean; skipRefused?: boolean }) =>
      run(async (tools) => {
        const typed = what === '-' ? await tools.io.stdin() : null;
        const register = await registerIn(what, typed, tools);
        if (register) {
          if (options.tag ?? options.dryRun ?? options.skipRefused)
            throw new UsedWrongly(
              'A whole register is taken in as it is: neither tags nor --dry-run or --skip-refused go with it.',
            );
          const taken = await importRegister(register, tools);
          tools.confirm(taken, () => describeTaken(taken));
          return 0;
        }
        const items = (await itemsIn(what, typed, tools)).map((item) => ({
          ...item,
          tags: [...(item.tags ?? []), ...(options.tag ?? [])],
        }));
        if (items.length === 0) throw new UsedWrongly(`There is no code in “${what}”.`);
        const data = await taken(
          { items, dryRun: options.dryRun ?? false, skipRefused: options.skipRefused ?? false },
          tools,
        );
        tools.tell(data, () => describe(data, options.dryRun ?? false, tools));
        return data.refused.length > 0 ? 1 : 0;
      }),
    );
};

/* A file that begins as a register does; null for everything else. */
async function registerIn(
  what: string,
  typed: string | null,
  { io }: Tools,
): Promise<Pick<LargeFile, 'length' | 'stream'> | null> {
  if (typed !== null) {
    const text = new Blob([typed]);
    return isRegister(typed.slice(0, 200)) ? { length: text.size, stream: () => text.stream() } : null;
  }
  const file = await io.openFile(what).catch(() => null);
  return file && isRegister(file.beginning) ? file : null;
}

/* With a bar on a terminal, which says how many codes are read. */
async function taken(
  body: BodyInput<Routes['imports.watch']>,
  { client, io, quiet }: Tools,
): Promise<ImportAnswer> {
  const bar =
    io.errIsTerminal && !quiet
      ? ora({ text: progressBar(0, body.items.length), stream: process.stderr }).start()
      : null;
  try {
    const response = await client().open('imports.watch', { body, signal: io.signal });
    return await outcomeOf<ImportAnswer, { read: number; of: number }>(
      response,
      ({ read, of }) => {
        if (bar) bar.text = read === of ? 'writing them down' : progressBar(read, of);
      },
      'Orbis broke off before it was done. See with “orbis list embeds” whether the codes are there.',
    );
  } finally {
    bar?.stop();
  }
}

/** @throws UsedWrongly where a file is not what it should be, with its line. */
async function itemsIn(what: string, typed: string | null, { io }: Tools): Promise<ImportItem[]> {
  const names = typed !== null ? null : await io.readFolder(what);
  if (names) {
    const files = names.filter((name) => /\.(?:html?|txt|svg)$/i.test(name)).sort();
    return Promise.all(
      files.map(async (name) => ({ name: nameOfFile(name), text: await io.readFile(join(what, name)) })),
    );
  }
  const text = typed ?? (await pasted(what, io));
  try {
    return itemsInFile(text, what);
  } catch (error) {
    throw error instanceof ImportFileInvalid ? new UsedWrongly(error.message) : error;
  }
}

function describe(
  { taken, doubled, refused }: ImportAnswer,
  dryRun: boolean,
  { colours, io }: Tools,
): string {
  const lines = [
    ...(dryRun ? [] : doubled).map(({ item, name, embed, sameAs }) =>
      fold(`${item} ${name}: the same code as ${embed ?? `number ${sameAs}`}.`, io.width, '  '),
    ),
    ...refused.map(
      ({ item, name, detail }) =>
        `${colours.red('refused')} ${item} ${name}\n${fold(detail, io.width, '  ')}`,
    ),
  ];
  const counts = [
    `${plural(taken.length, 'code')} ${dryRun ? 'would be taken in' : 'taken in'}`,
    doubled.length > 0 ? `${doubled.length} of them with a code that is there already` : '',
    refused.length > 0 ? `${refused.length} refused` : '',
  ].filter(Boolean);
  const same = new Map(doubled.map(({ item, embed, sameAs }) => [item, embed ?? `number ${sameAs}`]));
  const each =
    dryRun && taken.length > 0
      ? `${table(
          ['item', 'name', 'what would become of it'],
          taken.map(({ item, name }) => [
            String(item),
            name,
            same.has(item) ? `taken in, with the same code as ${same.get(item)}` : 'taken in',
          ]),
          colours,
        )}\n`
      : '';
  return `${each}${lines.join('')}${counts.join(', ')}.${dryRun ? ' Nothing was done.' : ''}\n`;
}
