import { renameSheet } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { describeEmbed } from '../describe/embed.ts';
import { saveSheets } from '../sheets/saving.ts';

export const addCopy: AddCommand = (program, run) => {
  const copy = program
    .command('copy')
    .description('make another one out of an embed, or of a provider’s sheet');
  copyEmbed(copy, run);
  copyProvider(copy, run);
};

const copyEmbed: AddCommand = (copy, run) => {
  copy
    .command('embed')
    .argument('<embed>', 'the key of an embed')
    .requiredOption('--name <name>', 'what to call the copy')
    .description('another embed of the same code, options, notes and tags; it is placed nowhere')
    .addHelpText(
      'after',
      '\nExample:\n  orbis copy embed opening-talk --name "Opening talk, for the home page"',
    )
    .action((embed: string, { name }: { name: string }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('embeds.duplicate', { params: { embed }, body: { name } });
        tools.confirm(
          data,
          () =>
            `Made ${tools.colours.bold(data.key)}, a copy of ${embed}.\n\n${describeEmbed(data, tools.colours)}`,
        );
        return 0;
      }),
    );
};

const copyProvider: AddCommand = (copy, run) => {
  copy
    .command('provider')
    .argument('<provider>', 'the id of a sheet')
    .argument('<new-id>', 'the id of the copy')
    .option('--yes', 'save it although embeds come out differently')
    .description('a sheet of your own out of another one')
    .addHelpText('after', '\nExample:\n  orbis copy provider kinorill moor-videos')
    .action((provider: string, id: string, options: { yes?: boolean }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('providers.read', { params: { provider } });
        return saveSheets([{ file: id, text: renameSheet(data.text, id) }], options.yes ?? false, tools);
      }),
    );
};
