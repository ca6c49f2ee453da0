import { plural } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';

export const addExport: AddCommand = (program, run) => {
  program
    .command('export')
    .argument('[file]', 'where it is written; without one, to standard output')
    .option('--csv', 'a table of the placements, for spreadsheets, in the place of all there is')
    .option('--atom', 'the newest changes as a feed, in the place of all there is')
    .description('take the whole register out, in an open form')
    .addHelpText(
      'after',
      `
Examples:
  orbis export register.ndjson
  orbis export | gzip > register.ndjson.gz
  orbis export --csv placements.csv
  orbis export --atom changes.atom

There is one JSON text in each line (NDJSON): sites, pages, spots, embeds with every code and revision, placements
with all that was handed out for them, presets, rules and provider sheets of your own. “orbis import FILE” takes it
into an empty Orbis. Visits, sweeps, harvests, pictures, ticks of single steps, links to them, people and
their tokens are not in it.

A program that follows feeds asks for /api/v1/changes.atom itself, with any name and, as the password, a token
that “orbis add token NAME --read-only” makes.`,
    )
    .action((file: string | undefined, options: Options) =>
      run((tools) => exportTo(file, formOf(options), tools)),
    );
};

interface Options {
  csv?: boolean;
  atom?: boolean;
}
type Form = 'all' | 'csv' | 'atom';

function formOf({ csv = false, atom = false }: Options): Form {
  if (csv && atom) throw new UsedWrongly('Give --csv or --atom, not both.');
  return csv ? 'csv' : atom ? 'atom' : 'all';
}

const operations = { all: 'register.read', csv: 'register.table', atom: 'changes.feed' } as const;

/* Lines of a table without its head; a feed is one thing. */
const wrote: Readonly<Record<Form, (lines: number) => string>> = {
  all: (lines) => plural(lines, 'line'),
  csv: (lines) => plural(lines - 1, 'placement'),
  atom: () => 'the feed',
};

async function exportTo(file: string | undefined, form: Form, tools: Tools): Promise<Exit> {
  const { client, io } = tools;
  const { body } = await client().open(operations[form], { signal: io.signal });
  if (!body) throw new Error('the answer has no body');
  const counting = countLines();
  const counted = body.pipeThrough(counting.stream);
  if (file === undefined) {
    const decoder = new TextDecoder();
    for await (const chunk of counted) io.out(decoder.decode(chunk, { stream: true }));
  } else
    await io.writeStream(file, counted).catch((error: unknown) => {
      throw new UsedWrongly(
        `“${file}” cannot be written: ${error instanceof Error ? error.message : String(error)}.`,
      );
    });
  const lines = counting.lines();
  // A register says itself how long it is; what came without that broke off.
  if (form === 'all' && !counting.isWhole()) {
    tools.note('Orbis broke off before the end of the register: what came is not whole.\n');
    return 3;
  }
  if (file !== undefined) tools.confirm({ file, lines }, () => `Wrote ${wrote[form](lines)} to ${file}.\n`);
  return 0;
}

/* Counts lines as they pass, and looks at the end of the last one. */
function countLines(): {
  stream: TransformStream<Uint8Array, Uint8Array>;
  lines: () => number;
  isWhole: () => boolean;
} {
  let [lines, end] = [0, ''];
  const stream = new TransformStream<Uint8Array, Uint8Array>({
    transform: (chunk, controller) => {
      for (const byte of chunk) if (byte === 0x0a) lines++;
      end = (end + Buffer.from(chunk).toString('latin1')).slice(-80);
      controller.enqueue(chunk);
    },
  });
  return { stream, lines: () => lines, isWhole: () => /\{"type":"end","lines":\d+\}\n$/.test(end) };
}
