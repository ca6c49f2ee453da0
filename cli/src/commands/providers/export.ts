import type { AddCommand } from '../../command.ts';

export const addExport: AddCommand = (providers, run) => {
  providers
    .command('export')
    .argument('<provider>', 'the id of a sheet')
    .description('print a sheet as it was written, to keep or to edit')
    .addHelpText('after', '\nExample:\n  orbis providers export kinorill > kinorill.json')
    .action((provider: string) =>
      run(async (tools) => {
        const { data } = await tools.client().call('providers.read', { params: { provider } });
        tools.tell(data.sheet, () => data.text);
        return 0;
      }),
    );
};
