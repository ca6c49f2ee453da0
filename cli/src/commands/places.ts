import { Argument } from 'commander';
import { parsePlace } from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../command.ts';

export const addPlaces: AddCommand = (program, run) => {
  const add = program.command('add').description('add a site, a page or a spot');
  addSite(add, run);
  addPage(add, run);
  addSpot(add, run);
  addRemove(program, run);
};

const addSite: AddCommand = (program, run) => {
  program
    .command('site')
    .argument('<key>', 'a short key, such as hollinfell')
    .argument('<address>', 'where it is published, such as https://site.example')
    .option('--name <name>', 'what to call it')
    .description('declare a site as yours')
    .addHelpText(
      'after',
      '\nExample:\n  orbis add site hollinfell http://hollinfell.localhost:7430 --name "Hollin Fell Observatory"',
    )
    .action((key: string, address: string, options: { name?: string }) =>
      run(async (tools) => {
        const { data } = await tools
          .client()
          .call('sites.create', { body: { key, address, name: options.name ?? key } });
        tools.tell(data, () => `Added the site ${data.key} at ${data.address}.\n`);
        return 0;
      }),
    );
};

const addPage: AddCommand = (program, run) => {
  program
    .command('page')
    .argument('<page>', 'site and path, such as hollinfell/talks; the home page is hollinfell/')
    .option('--title <title>', 'what to call it')
    .description('add a page to a site')
    .action((page: string, options: { title?: string }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('pages.create', {
          body: { key: page, title: options.title ?? (page.split('/').slice(1).join('/') || 'Home') },
        });
        tools.tell(data, () => `Added the page ${data.key} (${data.url}).\n`);
        return 0;
      }),
    );
};

const addSpot: AddCommand = (program, run) => {
  program
    .command('spot')
    .argument('<place>', 'site, path and name, such as hollinfell/talks#main')
    .argument('[widths...]', 'how wide it is, as phone=358 tablet=704 desktop=760 (px)')
    .description('name a position on a page')
    .action((place: string, words: string[]) =>
      run(async (tools) => {
        parsePlace(place);
        const { data } = await tools
          .client()
          .call('spots.create', { body: { key: place, widths: parseWidths(words) } });
        tools.tell(
          data,
          () =>
            `Added the spot ${data.key}: ${data.widths.phone} px wide on a phone, ${data.widths.tablet} on a tablet, ${data.widths.desktop} on a desktop.\n`,
        );
        return 0;
      }),
    );
};

const addRemove: AddCommand = (program, run) => {
  program
    .command('remove')
    .addArgument(
      new Argument('<thing>', 'what to remove').choices(['site', 'page', 'spot', 'placement', 'token']),
    )
    .argument('<key>', 'its key')
    .description('remove an empty site, page or spot; end a placement; revoke a token')
    .action((thing: 'site' | 'page' | 'spot' | 'placement' | 'token', key: string) =>
      run(async (tools) => {
        const client = tools.client();
        const params = { [thing]: key };
        const state =
          thing === 'page' || thing === 'token'
            ? {}
            : { ifMatch: (await client.call(`${thing}s.read`, { params })).etag ?? '*' };
        await client.call(`${thing}s.delete`, { params, ...state });
        tools.tell(
          { removed: key },
          () =>
            `${{ site: 'Removed', page: 'Removed', spot: 'Removed', placement: 'Ended', token: 'Revoked' }[thing]} the ${thing} ${key}.\n`,
        );
        return 0;
      }),
    );
};

function parseWidths(words: readonly string[]): { phone: number; tablet: number; desktop: number } {
  const widths = { phone: 358, tablet: 704, desktop: 760 };
  for (const word of words) {
    const found = /^(phone|tablet|desktop)=(\d{1,4})(?:px)?$/.exec(word);
    if (!found)
      throw new UsedWrongly(`“${word}” is no width. Write phone=358 tablet=704 desktop=760, in px.`);
    widths[found[1] as keyof typeof widths] = Number(found[2]);
  }
  return widths;
}
