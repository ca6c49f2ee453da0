import { plural, type EndpointImport } from '@orbis/contract';
import type { AddCommand, Tools } from '../../command.ts';
import { pasted } from '../../pasted.ts';
import { fold } from '../../text.ts';
import { saveSheets } from './saving.ts';

export const addImport: AddCommand = (providers, run) => {
  providers
    .command('import')
    .argument(
      '<file>',
      'a list of oEmbed providers (JSON), or sheets: one, or a JSON array of them; - for standard input',
    )
    .option('--yes', 'of sheets: save them although embeds come out differently')
    .description(
      'make many providers known at once: from a list of those that answer questions about their links (oEmbed), or from sheets',
    )
    .addHelpText(
      'after',
      `
A list is a JSON array of objects with provider_name, provider_url and endpoints, as such lists are published. Once more
is the same as once: what is known is not doubled, and what changed is changed. Links that no sheet knows are then asked
of whoever answers for them; “orbis providers endpoints LINK” says who that is.

Examples:
  orbis providers import providers.json
  orbis providers import my-sheets.json

Exit status: 0 all of it is known now, 1 something in it cannot be used, 2 no list and no sheets.`,
    )
    .action((file: string, options: { yes?: boolean }) =>
      run(async (tools) => {
        const text = await pasted(file, tools.io);
        const sheets = sheetsIn(text);
        if (sheets) {
          return saveSheets(
            sheets.map((sheet, i) => ({
              file: sheets.length === 1 ? file : `${file}, sheet ${i + 1}`,
              text: sheet,
            })),
            options.yes ?? false,
            tools,
          );
        }
        const { data } = await tools.client().call('endpoints.import', { body: { text } });
        tools.tell(data, () => describe(data, tools));
        return data.unusable.length > 0 ? 1 : 0;
      }),
    );
};

/* Sheets have an id; whatever is an array of something else is a list of providers,
   or is told that it is none. */
function sheetsIn(text: string): string[] | null {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    // Only sheets are written in YAML.
    return /^\s*[[{]/.test(text) ? null : [text];
  }
  const isSheet = (item: unknown): boolean => typeof item === 'object' && item !== null && 'id' in item;
  if (!Array.isArray(data)) return isSheet(data) ? [text] : null;
  return data.length > 0 && data.every(isSheet) ? data.map((sheet) => JSON.stringify(sheet, null, 2)) : null;
}

function describe(
  { entries, endpoints, added, changed, same, unusable }: EndpointImport,
  { colours, io }: Tools,
): string {
  const lines = unusable.map(({ entry, provider, what, why }) =>
    fold(`${colours.yellow('not used')} ${entry} ${provider || '(no name)'}: ${what}: ${why}.`, io.width, ''),
  );
  const counts = [
    `${added} new`,
    changed > 0 ? `${changed} changed` : '',
    same > 0 ? `${same} known already` : '',
  ]
    .filter(Boolean)
    .join(', ');
  return `${lines.join('')}${plural(entries, 'provider')} in the list; ${plural(endpoints, 'endpoint')}: ${counts}.${unusable.length > 0 ? ` ${plural(unusable.length, 'thing')} in it cannot be used.` : ''}\n`;
}
