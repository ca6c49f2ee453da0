import { parseSheet, sheetJsonSchema, SheetInvalid } from '@orbis/contract';
import type { AddCommand } from '../../command.ts';
import { pasted } from '../../pasted.ts';

export const addCheck: AddCommand = (providers, run) => {
  providers
    .command('check')
    .argument('<file...>', 'files of sheets, JSON or YAML; - for standard input')
    .description('say whether files are sheets, and where they are not; without the service')
    .addHelpText(
      'after',
      '\nExample:\n  orbis providers check my-provider.yaml\n\nExit status: 0 all are, 1 some are not, 2 used wrongly.',
    )
    .action((files: string[]) =>
      run(async (tools) => {
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
  providers
    .command('schema')
    .description('print the JSON Schema of a sheet’s file; without the service')
    .action(() =>
      run((tools) => {
        tools.io.out(`${JSON.stringify(sheetJsonSchema(), null, 2)}\n`);
        return Promise.resolve(0);
      }),
    );
};
