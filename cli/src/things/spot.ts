import { parsePlace, spoken, type Spot } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { facts, type Colours } from '../text.ts';
import { endedWith, endsPlacements, refuseToEnd } from './standing.ts';
import { atOption, spotHelp, tellHidden, usualSpot, wantedSpot } from './spot-asked.ts';
import type { Thing } from './thing.ts';

/** Named positions on pages; “orbis list pages” lists them. */
export const spot: Thing = {
  show: (verb, run) => {
    verb
      .command('spot')
      .argument('<place>', 'site, path and name, such as hollinfell/talks#main')
      .description('how large it is, where, and how much is placed in it')
      .action((spot: string) =>
        run(async (tools) => {
          parsePlace(spot);
          const { data } = await tools.client().call('spots.read', { params: { spot } });
          tools.tell(data, () => describeSpot(data, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('spot')
      .argument('<place>', 'site, path and name, such as hollinfell/talks#main')
      .argument('[size...]', 'how large it is, as phone=358 tablet=704 desktop=760 (px)')
      .addOption(atOption())
      .description('a position on a page, under a name')
      .addHelpText('after', spotHelp('add spot hollinfell/talks#opening'))
      .action((place: string, words: string[], { at: selector }: { at?: string }) =>
        run(async (tools) => {
          parsePlace(place);
          const asked = { words, selector, now: usualSpot, page: pageOf(place) };
          const { body, measured } = await wantedSpot(asked, tools.client());
          const { data } = await tools.client().call('spots.create', { body: { key: place, ...body } });
          tools.confirm(data, () => `Added the spot ${data.key}: ${spoken.spots.size(data)}.\n`);
          tellHidden(measured, tools);
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('spot')
      .argument('<place>', 'site, path and name')
      .argument('[size...]', 'how large it is now, as phone=358 tablet=704 desktop=760 (px)')
      .addOption(atOption())
      .option('--shared', 'be as the spot of this name that many pages of the site have')
      .description('say anew how large it is, or where')
      .addHelpText('after', spotHelp('change spot hollinfell/talks#opening'))
      .action((spot: string, words: string[], asked: ChangeAsked) =>
        run((tools) => changeSpot(spot, words, asked, tools)),
      );
  },
  remove: (verb, run) => {
    verb
      .command('spot')
      .argument('<place>', 'site, path and name')
      .addOption(endsPlacements())
      .description('a spot of a page')
      .addHelpText(
        'after',
        '\nExample:\n  orbis remove spot hollinfell/talks#north --end-placements\n\n“orbis undo” has it again, with all that was placed in it.',
      )
      .action((spot: string, { endPlacements = false }: { endPlacements?: boolean }) =>
        run(async (tools) => {
          parsePlace(spot);
          const client = tools.client();
          const { etag } = await client.call('spots.read', { params: { spot } });
          const { data: standing } = await client.call('spots.standing', { params: { spot } });
          refuseToEnd('spot', spot, standing, endPlacements);
          const query = endPlacements ? { placements: 'end' as const } : {};
          await client.call('spots.delete', { params: { spot }, query, ifMatch: etag ?? '*' });
          tools.confirm(
            { removed: spot, ended: standing.placements },
            () => `Removed the spot ${spot}${endedWith(standing)}.\n`,
          );
          return 0;
        }),
      );
  },
};

interface ChangeAsked {
  at?: string;
  shared?: true;
}

async function changeSpot(
  spot: string,
  words: string[],
  { at: selector, shared }: ChangeAsked,
  tools: Tools,
): Promise<Exit> {
  parsePlace(spot);
  const saysItself = words.length > 0 || selector !== undefined;
  if (shared && saysItself)
    throw new UsedWrongly('With --shared the spot has no size of its own: leave the rest out.');
  if (!shared && !saysItself)
    throw new UsedWrongly('Say how large it is now, such as desktop=728, or where: --at main.');
  const client = tools.client();
  const params = { spot };
  const { data: now, etag } = await client.call('spots.read', { params });
  const asked = { words, selector, now, page: pageOf(spot) };
  const { body, measured } = shared ? { body: { shared }, measured: null } : await wantedSpot(asked, client);
  const { data } = await client.call('spots.change', { params, body, ifMatch: etag ?? '*' });
  tools.confirm(data, () => describeSpot(data, tools.colours));
  tellHidden(measured, tools);
  return 0;
}

function pageOf(place: string): string {
  const { site, path } = parsePlace(place);
  return `${site}/${path}`;
}

const describeSpot = (spot: Spot, colours: Colours): string =>
  facts(
    [
      ['Spot', spot.key],
      ['Size', spoken.spots.size(spot)],
      ['Where', spot.selector ?? 'nobody said it'],
      ...(spot.shared ? [['Said for', 'all pages that have it'] satisfies [string, string]] : []),
      ['Placed in it', String(spot.placements)],
    ],
    colours,
  );
