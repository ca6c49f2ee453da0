import type { Client } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { serviceAddress } from '../connection.ts';

export const addOpen: AddCommand = (program, run) => {
  program
    .command('open')
    .argument('<thing>', 'an embed (opening-talk), or a page (hollinfell/talks) or spot as it is published')
    .description('print the address of something, and open it where there is a desktop')
    .addHelpText('after', '\nExamples:\n  orbis open opening-talk\n  orbis open hollinfell/talks')
    .action((thing: string) =>
      run(async (tools) => {
        const address = await addressOf(thing, tools.client(), serviceAddress(tools.io) ?? '');
        tools.tell({ address }, () => `${address}\n`);
        await tools.io.open?.(address);
        return 0;
      }),
    );
};

/* A page has a slash in its key, and a spot stands behind the page’s. */
async function addressOf(thing: string, client: Client, url: string): Promise<string> {
  if (thing.includes('/')) {
    const page = thing.split('#', 1)[0]!;
    return (await client.call('pages.read', { params: { page } })).data.url;
  }
  const { key } = (await client.call('embeds.read', { params: { embed: thing } })).data;
  return `${url}/collection/${key}`;
}
