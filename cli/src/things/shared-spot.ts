import { Option } from 'commander';
import { parseSharedSpot, spoken, type SharedSpot } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { facts, type Colours } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import { atOption, spotHelp, tellHidden, usualSpot, wantedSpot } from './spot-asked.ts';
import type { Thing } from './thing.ts';

const argument = ['<spot>', 'site and name, such as hollinfell#main'] as const;

/** Spots that many pages of a site have, said once for all of them. */
export const sharedSpot: Thing = {
  list: (verb, run) => {
    verb
      .command('shared-spots')
      .option('--site <site>', 'those of one site')
      .description('spots that many pages have')
      .action((narrowing: { site?: string }) =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('sharedSpots.list', { query: { limit, after, ...narrowing } }),
          );
          tellList(
            tools,
            items,
            {
              'shared spot': ({ key }) => key,
              'pages': ({ under }) => spoken.spots.sharedBy(under),
              'size': spoken.spots.size,
            },
            'No spot is there on many pages yet. “orbis add shared-spot SITE#NAME” says of one that it is.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('shared-spot')
      .argument(...argument)
      .description('which pages have it, how large it is, and where')
      .action((shared: string) =>
        run(async (tools) => {
          parseSharedSpot(shared);
          const { data } = await tools.client().call('sharedSpots.read', { params: { shared } });
          tools.tell(data, () => describe(data, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('shared-spot')
      .argument(...argument)
      .argument('[size...]', 'how large it is, as phone=358 tablet=704 desktop=760 (px)')
      .addOption(under())
      .addOption(atOption())
      .addOption(on())
      .option('--take-in', 'spots of this name that pages have by themselves are as it says from now on')
      .description('a spot that many pages of a site have, said once for all of them')
      .addHelpText(
        'after',
        spotHelp('add shared-spot hollinfell#main', '--at main --on hollinfell/talks --under talks'),
      )
      .action((shared: string, words: string[], asked: Asked) =>
        run((tools) => addShared(shared, words, asked, tools)),
      );
  },
  change: (verb, run) => {
    verb
      .command('shared-spot')
      .argument(...argument)
      .argument('[size...]', 'how large it is now')
      .addOption(under())
      .addOption(atOption())
      .addOption(on())
      .description('say anew which pages have it, how large it is, and where')
      .addHelpText('after', spotHelp('change shared-spot hollinfell#main', '--at main --on hollinfell/talks'))
      .action((shared: string, words: string[], asked: Asked) =>
        run((tools) => changeShared(shared, words, asked, tools)),
      );
  },
  remove: (verb, run) => {
    verb
      .command('shared-spot')
      .argument(...argument)
      .description('say no more that many pages have it; where something was placed, it stays as it is')
      .action((shared: string) =>
        run(async (tools) => {
          parseSharedSpot(shared);
          const client = tools.client();
          const params = { shared };
          const { etag } = await client.call('sharedSpots.read', { params });
          await client.call('sharedSpots.delete', { params, ifMatch: etag ?? '*' });
          tools.confirm(
            { removed: shared },
            () =>
              `Removed the shared spot ${shared}. Where something was placed in it, that stays as it is.\n`,
          );
          return 0;
        }),
      );
  },
};

const under = (): Option =>
  new Option('--under <path>', 'only pages whose paths begin so, such as talks/; "" for every page');

const on = (): Option => new Option('--on <page>', 'the page on which it is measured with --at');

interface Asked {
  under?: string;
  at?: string;
  on?: string;
  takeIn?: boolean;
}

async function addShared(
  shared: string,
  words: string[],
  { under: path = '', at: selector, on: page, takeIn: takesIn = false }: Asked,
  tools: Tools,
): Promise<Exit> {
  parseSharedSpot(shared);
  const client = tools.client();
  const { body, measured } = await wantedSpot({ words, selector, now: usualSpot, page }, client);
  const { data } = await client.call('sharedSpots.create', {
    body: { key: shared, under: pathOf(path), ...body, takesIn },
  });
  tools.confirm(data, () => `Added the shared spot.\n${describe(data, tools.colours)}`);
  tellHidden(measured, tools);
  return 0;
}

async function changeShared(
  shared: string,
  words: string[],
  { under: path, at: selector, on: page }: Asked,
  tools: Tools,
): Promise<Exit> {
  parseSharedSpot(shared);
  if (words.length === 0 && selector === undefined && path === undefined)
    throw new UsedWrongly(
      'Say how large it is now, such as desktop=728, where: --at main, or --under talks/.',
    );
  const client = tools.client();
  const params = { shared };
  const { data: now, etag } = await client.call('sharedSpots.read', { params });
  const { body, measured } = await wantedSpot({ words, selector, now, page }, client);
  const { data } = await client.call('sharedSpots.change', {
    params,
    body: { under: path === undefined ? now.under : pathOf(path), ...body },
    ifMatch: etag ?? '*',
  });
  tools.confirm(data, () => describe(data, tools.colours));
  tellHidden(measured, tools);
  return 0;
}

/* As people type it, with the slash at its beginning or without. */
const pathOf = (typed: string): string => typed.replace(/^\//, '');

const describe = (shared: SharedSpot, colours: Colours): string =>
  facts(
    [
      ['Shared spot', shared.key],
      ['Pages', spoken.spots.sharedBy(shared.under)],
      ['Size', spoken.spots.size(shared)],
      ['Where', shared.selector ?? 'nobody said it'],
    ],
    colours,
  );
