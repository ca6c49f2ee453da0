import { settings, type Sheet } from '@orbis/core';
import { parseSheet, sheetJsonSchema, SheetInvalid } from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { pasted } from '../pasted.ts';
import { localSheets } from '../sheets.ts';
import { facts, table, type Colours } from '../text.ts';

export const addProviders: AddCommand = (program, run) => {
  const providers = program.command('providers').description('what Orbis knows of providers: their sheets, which are files of data');
  const own = '--sheets <folder>';
  const ownMeaning = 'provider sheets of your own beside the built-in ones';
  providers
    .command('list')
    .option(own, ownMeaning)
    .description('list the sheets at hand, without the service')
    .action((options: { sheets?: string }) =>
      run((tools) => {
        const sheets = localSheets(options.sheets);
        tools.tell(sheets, () =>
          table(
            ['provider', 'name', 'kind', 'version', 'settings'],
            sheets.map((s) => [s.id, s.name, s.kind, String(s.version), [...Object.keys(s.settings), ...(s.quiet ? ['privacy'] : [])].join(', ')]),
            tools.colours,
          ),
        );
        return Promise.resolve(0);
      }),
    );
  providers
    .command('show')
    .argument('<provider>', 'the id of a provider')
    .option(own, ownMeaning)
    .description('show one sheet: whom it knows, and where each setting goes')
    .addHelpText('after', '\nExample:\n  orbis providers show mapmere')
    .action((id: string, options: { sheets?: string }) =>
      run((tools) => {
        const sheets = localSheets(options.sheets);
        const sheet = sheets.find((s) => s.id === id);
        if (!sheet) throw new UsedWrongly(`There is no sheet “${id}”. There are: ${sheets.map((s) => s.id).join(', ')}.`);
        tools.tell(sheet, () => describe(sheet, tools.colours));
        return Promise.resolve(0);
      }),
    );
  providers
    .command('check')
    .argument('<file...>', 'files of sheets, JSON or YAML; - for standard input')
    .description('say whether files are sheets, and where they are not')
    .addHelpText('after', '\nExample:\n  orbis providers check my-provider.yaml\n\nExit status: 0 all are, 1 some are not, 2 used wrongly.')
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
          results.map(({ file, id, faults }) => (id === null ? `${new SheetInvalid(file, faults).message}\n` : `${file}: ${tools.colours.green('a sheet')} of ${id}\n`)).join(''),
        );
        return results.some(({ id }) => id === null) ? 1 : 0;
      }),
    );
  providers
    .command('schema')
    .description('print the JSON Schema of a sheet’s file')
    .action(() =>
      run((tools) => {
        tools.io.out(`${JSON.stringify(sheetJsonSchema(), null, 2)}\n`);
        return Promise.resolve(0);
      }),
    );
};

function describe(sheet: Sheet, colours: Colours): string {
  const places = {
    query: 'in the address',
    fragment: 'in the fragment of the address',
    path: 'in the path of the address',
    attribute: 'as an attribute',
    json: 'in the JSON of an attribute',
    option: 'in the options that a script hands over',
  };
  const holders = { frame: 'of the frame', media: 'of the player', mount: 'of the element that its script fills', loader: 'of its script', setup: 'of the code' };
  const own = settings.flatMap((setting) => {
    const rule = sheet.settings[setting.name as keyof Sheet['settings']];
    return rule ? [[setting.name, `${setting.name}=${setting.example}`, rule.name, `${places[rule.in]} ${holders[rule.of ?? 'frame']}`]] : [];
  });
  const rows: [string, string][] = [
    ['Provider', `${sheet.name} (${sheet.id}, version ${sheet.version})`],
    ['Kind', sheet.kind],
    ['Hosts', sheet.hosts.join(', ')],
    ...(sheet.shape ? ([['Shape', `${sheet.shape.width}:${sheet.shape.height}`]] as [string, string][]) : []),
    ...(sheet.quiet ? ([['Quieter', sheet.quiet.host]] as [string, string][]) : []),
  ];
  return `${facts(rows, colours)}\n${table(['setting', 'example', 'its name there', 'where'], own, colours)}`;
}
