import { parseSheet, sheetJsonSchema, SheetInvalid } from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { pasted } from '../pasted.ts';

export const addCheck: AddCommand = (program, run) => {
  program
    .command('check')
    .argument('[file...]', 'files of sheets, JSON or YAML; - for standard input')
    .option('--schema', 'print the JSON Schema of a sheet instead, for editors that check while one writes')
    .description('say whether files are provider sheets, and where they are not; without the service')
    .addHelpText(
      'after',
      `
Examples:
  orbis check my-provider.yaml
  orbis check --schema > provider-sheet.schema.json

Exit status: 0 all are, 1 some are not, 2 used wrongly.`,
    )
    .action((files: string[], { schema = false }: { schema?: boolean }) =>
      run(async (tools) => {
        if (schema === files.length > 0)
          throw new UsedWrongly(schema ? '--schema takes no file.' : 'Say which file, or --schema.');
        if (schema) {
          tools.io.out(`${JSON.stringify(sheetJsonSchema(), null, 2)}\n`);
          return 0;
        }
        const results: { file: string; id: string | null; faults: SheetInvalid['faults'] }[] = [];
        for (const file of files) {
          const text = await pasted(file, tools.io);
          try {
            results.push({ file, id: parseSheet(text, file).id, faults: [] });
          } catch (error) {
            if (!(error instanceof SheetInvalid)) throw error;
            results.push({ file, id: null, faults: error.faults });
          }
        }
        tools.tell(results, () =>
          results
            .map(({ file, id, faults }) =>
              id === null
                ? `${new SheetInvalid(file, faults).message}\n`
                : `${file}: ${tools.colours.green('a sheet')} of ${id}\n`,
            )
            .join(''),
        );
        return results.some(({ id }) => id === null) ? 1 : 0;
      }),
    );
};
