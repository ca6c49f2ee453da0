import { plural } from '@orbis/contract';
import type { AddCommand } from '../command.ts';

export const addTick: AddCommand = (program, run) => {
  program
    .command('tick')
    .argument('<list>', 'the id of a change list, as “orbis list changelists” shows it')
    .argument('<page>', 'a page on it, such as hollinfell/talks')
    .option('--undo', 'take the tick back')
    .description('tick a page of a change list off: what is to be done there is done')
    .addHelpText(
      'after',
      '\nExample:\n  orbis tick 4n8c2m0q7z hollinfell/talks\n\nA tick falls away when something else is to be done there later.\nExit status: 0 done, 4 somebody has ticked it already.',
    )
    .action((list: string, page: string, { undo = false }: { undo?: boolean }) =>
      run(async (tools) => {
        const client = tools.client();
        const params = { list, page };
        if (undo) {
          const { data } = await client.call('changeListPages.untick', { params });
          tools.confirm(data, () => `${page} is open again.\n`);
          return 0;
        }
        const { work } = (await client.call('changeListPages.read', { params })).data;
        const { data } = await client.call('changeListPages.tick', { params, body: { work } });
        const { data: now } = await client.call('changeLists.read', { params: { list } });
        tools.confirm(data, () => `Ticked ${page}: ${now.ticked} of ${plural(now.pages, 'page')} done.\n`);
        return 0;
      }),
    );
};
