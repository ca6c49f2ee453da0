import { plural } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';

export const addExport: AddCommand = (program, run) => {
  program
    .command('export')
    .argument('[file]', 'where it is written; without one, to standard output')
    .option('--csv', 'a table of the placements, for spreadsheets, in the place of all there is')
    .description('take the whole register out, in an open form')
    .addHelpText(
      'after',
      `
Examples:
  orbis export register.ndjson
  orbis export | gzip > register.ndjson.gz
  orbis export --csv placements.csv

There is one JSON text in each line (NDJSON): sites, pages, spots, embeds with every code and revision, placements
with all that was handed out for them, presets, rules and provider sheets of your own. “orbis import FILE” takes it
into an empty Orbis. Visits, sweeps, harvests, pictures, people and their tokens are not in it.`,
    )
    .action((file: string | undefined, { csv = false }: { csv?: boolean }) =>
      run((tools) => exportTo(file, csv, tools)),
    );
};

async function exportTo(file: string | undefined, csv: boolean, tools: Tools): Promise<Exit> {
  const { client, io } = tools;
  const { body } = await client().open(csv ? 'register.table' : 'register.read', { signal: io.signal });
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
  if (!csv && !counting.isWhole()) {
    tools.note('Orbis broke off before the end of the register: what came is not whole.\n');
    return 3;
  }
  if (file !== undefined)
    tools.confirm(
      { file, lines },
      () => `Wrote ${plural(csv ? lines - 1 : lines, csv ? 'placement' : 'line')} to ${file}.\n`,
    );
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
