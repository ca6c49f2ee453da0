import { mostCounted, spoken, type Provider } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { describeSheet } from '../describe/sheet.ts';
import { pasted } from '../pasted.ts';
import { providersAt, type Locally } from '../sheets/at-hand.ts';
import { describeDifferences, saveSheets } from '../sheets/saving.ts';
import { sheetsIn } from '../sheets/sheets-in.ts';
import { tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** What Orbis knows of providers: their sheets, which are files of data. */
export const provider: Thing = {
  list: (verb, run) => {
    verb
      .command('providers')
      .option('--built-in', 'without the service: those that are built in')
      .option('--sheets <folder>', 'without the service: sheets of your own beside the built-in ones')
      .description('the providers that are known by a sheet')
      .action((options: Locally) =>
        run(async (tools) => {
          tellList(
            tools,
            await providersAt(options, tools),
            {
              provider: ({ id }) => id,
              name: ({ sheet }) => sheet.name,
              kind: ({ sheet }) => sheet.kind,
              version: ({ sheet }) => String(sheet.version),
              sheet: ({ from }) => spoken.sheetOrigins[from],
              embeds: ({ embeds }) => (embeds < mostCounted ? String(embeds) : `${mostCounted} or more`),
              settings: settingsOf,
            },
            'No provider is known.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('provider')
      .argument('<provider>', 'its id')
      .option('--as-written', 'print its sheet as it was written, to keep or to edit')
      .option('--built-in', 'without the service: the one that is built in')
      .option('--sheets <folder>', 'without the service: sheets of your own beside the built-in ones')
      .description('its sheet: what it is known by, and where each setting goes')
      .addHelpText(
        'after',
        `
Examples:
  orbis show provider mapmere
  orbis show provider kinorill --as-written > kinorill.json`,
      )
      .action((id: string, options: Locally & { asWritten?: boolean }) =>
        run(async (tools) => {
          if (options.asWritten) {
            if (options.builtIn || options.sheets !== undefined)
              throw new UsedWrongly(
                '--as-written is of the service’s sheets: without --built-in and --sheets.',
              );
            const { data } = await tools.client().call('providers.read', { params: { provider: id } });
            tools.tell(data.sheet, () => data.text);
            return 0;
          }
          const all = await providersAt(options, tools);
          const found = all.find((each) => each.id === id);
          if (!found)
            throw new UsedWrongly(
              `There is no sheet “${id}”. There are: ${all.map((each) => each.id).join(', ')}.`,
            );
          tools.tell(found, () => describeSheet(found.sheet, spoken.sheetOrigins[found.from], tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('provider')
      .argument('<file...>', 'files of sheets, JSON or YAML, one or several in each; - for standard input')
      .option('--yes', 'save them although embeds come out differently')
      .description('keep a sheet of your own, or a newer one; it stands before a built-in one of its id')
      .addHelpText(
        'after',
        `
Examples:
  orbis add provider my-provider.yaml
  orbis show provider kinorill --as-written > kinorill.json   (then edit it)
  orbis add provider kinorill.json

Exit status: 0 saved, 1 embeds would come out differently and --yes was not said, 2 no sheet.`,
      )
      .action((files: string[], options: { yes?: boolean }) =>
        run(async (tools) => {
          const texts: { file: string; text: string }[] = [];
          for (const file of files) texts.push(...sheetsIn(file, await pasted(file, tools.io)));
          return saveSheets(texts, options.yes ?? false, tools);
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('provider')
      .argument('<provider>', 'the id of a sheet of your own')
      .option('--yes', 'remove it although embeds depend on it')
      .description('a sheet of your own; a built-in one of the same id is used again')
      .addHelpText(
        'after',
        `
Example:
  orbis remove provider my-provider

Exit status: 0 removed, 4 embeds depend on it and --yes was not said.`,
      )
      .action((id: string, options: { yes?: boolean }) =>
        run(async (tools) => {
          const client = tools.client();
          const { data: comparison, etag } = await client.call('providers.compare', { body: { remove: id } });
          if (comparison.differs.length > 0 && !options.yes)
            tools.io.err(describeDifferences(comparison, tools));
          await client.call('providers.remove', {
            params: { provider: id },
            query: { accept: options.yes ? 'true' : 'false' },
            ifMatch: etag ?? '*',
          });
          tools.confirm({ removed: id }, () =>
            comparison.from === 'built-in'
              ? `Removed; the built-in sheet of ${id} is used again.\n`
              : `Removed ${id}.\n`,
          );
          return 0;
        }),
      );
  },
};

const settingsOf = ({ sheet }: Provider): string =>
  [
    ...Object.keys(sheet.settings),
    ...Object.keys(sheet.options ?? {}),
    ...(sheet.privacyHost ? ['privacy'] : []),
  ].join(', ');
