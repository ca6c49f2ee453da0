import { UsedWrongly, type AddCommand } from '../command.ts';
import { describeEmbed } from './collect.ts';
import { atPlace, showPlaced } from './placed.ts';

export const addShow: AddCommand = (program, run) => {
  program
    .command('show')
    .argument('<embed>', 'the key of an embed, or embed@place for how it is at one place')
    .option('--pasted', 'print the code as it was pasted, and nothing else')
    .description('show one embed of the collection')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis show opening-talk\n  orbis show opening-talk@hollinfell/talks#main',
    )
    .action((embed: string, options: { pasted?: boolean }) =>
      run(async (tools) => {
        const at = atPlace(embed);
        if (at && options.pasted)
          throw new UsedWrongly('--pasted is of an embed itself: name it without its place.');
        if (at) return showPlaced(at, tools);
        const { data } = await tools.client().call('embeds.read', { params: { embed } });
        if (options.pasted && !tools.json) tools.io.out(data.pasted);
        else tools.tell(data, () => describeEmbed(data, tools.colours));
        return 0;
      }),
    );
};
