import { renameSheet } from '@orbis/contract';
import type { AddCommand } from '../../command.ts';
import { saveSheets } from './saving.ts';

export const addCopy: AddCommand = (providers, run) => {
  providers
    .command('copy')
    .argument('<provider>', 'the id of a sheet')
    .argument('<new-id>', 'the id of the copy')
    .option('--yes', 'save it although embeds come out differently')
    .description('make a sheet of your own out of another one')
    .addHelpText('after', '\nExample:\n  orbis providers copy kinorill moor-videos')
    .action((provider: string, id: string, options: { yes?: boolean }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('providers.read', { params: { provider } });
        return saveSheets([{ file: id, text: renameSheet(data.text, id) }], options.yes ?? false, tools);
      }),
    );
};
