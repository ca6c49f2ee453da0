import type { AddCommand } from '../../command.ts';
import { pasted } from '../../pasted.ts';
import { saveSheets } from './saving.ts';

export const addAdd: AddCommand = (providers, run) => {
  providers
    .command('add')
    .argument('<file...>', 'files of sheets, JSON or YAML; - for standard input')
    .option('--yes', 'save it although embeds come out differently')
    .description(
      'keep sheets of your own, or change them; one with the id of a built-in sheet stands before it',
    )
    .addHelpText(
      'after',
      '\nExamples:\n  orbis providers add my-provider.yaml\n  orbis providers export kinorill > kinorill.json   (then edit it)\n  orbis providers add kinorill.json\n\nExit status: 0 saved, 1 embeds would come out differently and --yes was not said, 2 no sheet.',
    )
    .action((files: string[], options: { yes?: boolean }) =>
      run(async (tools) => {
        const texts: { file: string; text: string }[] = [];
        for (const file of files) texts.push({ file, text: await pasted(file, tools.io) });
        return saveSheets(texts, options.yes ?? false, tools);
      }),
    );
};
