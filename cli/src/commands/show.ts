import type { AddCommand } from '../command.ts';
import { describeEmbed } from './collect.ts';

export const addShow: AddCommand = (program, run) => {
  program
    .command('show')
    .argument('<embed>', 'the key of an embed')
    .option('--pasted', 'print the code as it was pasted, and nothing else')
    .description('show one embed of the collection')
    .action((embed: string, options: { pasted?: boolean }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('embeds.read', { params: { embed } });
        if (options.pasted && !tools.json) tools.io.out(data.pasted);
        else tools.tell(data, () => describeEmbed(data, tools.colours));
        return 0;
      }),
    );
};
