import type { Provider } from '@orbis/contract';
import type { AddCommand, Tools } from '../../command.ts';
import { localSheets } from '../../sheets.ts';
import { table } from '../../text.ts';
import { mostCounted, spoken } from '@orbis/contract';

export interface Locally {
  builtIn?: boolean;
  sheets?: string;
}

/** The sheets at hand: the service's, or without it those that are built in and those of a folder. */
export async function providersAt(
  { builtIn = false, sheets: folder }: Locally,
  tools: Tools,
): Promise<Provider[]> {
  if (!builtIn && folder === undefined) return (await tools.client().call('providers.list', {})).data.items;
  const shipped = new Set(localSheets(undefined).map(({ id }) => id));
  const own = new Set(localSheets(undefined).map((sheet) => JSON.stringify(sheet)));
  return localSheets(folder).map((sheet) => {
    const from = own.has(JSON.stringify(sheet)) ? 'built-in' : shipped.has(sheet.id) ? 'override' : 'own';
    return { id: sheet.id, from, embeds: 0, changedAt: null, sheet: sheet };
  });
}

export const addList: AddCommand = (providers, run) => {
  providers
    .command('list')
    .option('--built-in', 'without the service: those that are built in')
    .option('--sheets <folder>', 'without the service: sheets of your own beside the built-in ones')
    .description('list the sheets at hand')
    .action((options: Locally) =>
      run(async (tools) => {
        const items = await providersAt(options, tools);
        tools.tell(items, () =>
          table(
            ['provider', 'name', 'kind', 'version', 'sheet', 'embeds', 'settings'],
            items.map(({ id, from, embeds, sheet }) => [
              id,
              sheet.name,
              sheet.kind,
              String(sheet.version),
              spoken.sheetOrigins[from],
              embeds < mostCounted ? String(embeds) : `${mostCounted} or more`,
              [
                ...Object.keys(sheet.settings),
                ...Object.keys(sheet.options ?? {}),
                ...(sheet.privacyHost ? ['privacy'] : []),
              ].join(', '),
            ]),
            tools.colours,
          ),
        );
        return 0;
      }),
    );
};
