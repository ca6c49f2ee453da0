import type { Provider } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { localSheets } from './local.ts';

/** Where sheets come from where the service is not asked. */
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
