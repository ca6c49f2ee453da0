import type { AddCommand } from '../../command.ts';
import { describeDifferences } from './saving.ts';

export const addRemove: AddCommand = (providers, run) => {
  providers
    .command('remove')
    .argument('<provider>', 'the id of a sheet of your own')
    .option('--yes', 'remove it although embeds depend on it')
    .description('take a sheet of your own away; a built-in one of the same id is there again')
    .addHelpText(
      'after',
      '\nExample:\n  orbis providers remove my-provider\n\nExit status: 0 removed, 4 embeds depend on it and --yes was not said.',
    )
    .action((provider: string, options: { yes?: boolean }) =>
      run(async (tools) => {
        const client = tools.client();
        const { data: comparison, etag } = await client.call('providers.compare', {
          body: { remove: provider },
        });
        if (comparison.differs.length > 0 && !options.yes)
          tools.io.err(describeDifferences(comparison, tools));
        await client.call('providers.remove', {
          params: { provider },
          query: { accept: options.yes ? 'true' : 'false' },
          ifMatch: etag ?? '*',
        });
        tools.tell({ removed: provider }, () =>
          comparison.from === 'built-in'
            ? `Removed; the built-in sheet of ${provider} is used again.\n`
            : `Removed ${provider}.\n`,
        );
        return 0;
      }),
    );
};
