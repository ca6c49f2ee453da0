import { parsePlace, type Spot, type Widths } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { facts, type Colours } from '../text.ts';
import { endedWith, endsPlacements, refuseToEnd } from './standing.ts';
import type { Thing } from './thing.ts';

const usual: Widths = { phone: 358, tablet: 704, desktop: 760 };

/** Named positions on pages; “orbis list pages” lists them. */
export const spot: Thing = {
  show: (verb, run) => {
    verb
      .command('spot')
      .argument('<place>', 'site, path and name, such as hollinfell/talks#main')
      .description('how wide it is, and how much is placed in it')
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
      .argument('[widths...]', 'how wide it is, as phone=358 tablet=704 desktop=760 (px)')
      .description('a position on a page, under a name')
      .addHelpText('after', '\nExample:\n  orbis add spot hollinfell/talks#opening desktop=728')
      .action((place: string, words: string[]) =>
        run(async (tools) => {
          parsePlace(place);
          const { data } = await tools
            .client()
            .call('spots.create', { body: { key: place, widths: widthsIn(words, usual) } });
          tools.confirm(data, () => `Added the spot ${data.key}: ${inWords(data.widths)}.\n`);
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('spot')
      .argument('<place>', 'site, path and name')
      .argument('<widths...>', 'how wide it is now, as phone=358 tablet=704 desktop=760 (px)')
      .description('say anew how wide it is')
      .action((spot: string, words: string[]) =>
        run(async (tools) => {
          parsePlace(spot);
          const client = tools.client();
          const now = await client.call('spots.read', { params: { spot } });
          const { data } = await client.call('spots.change', {
            params: { spot },
            body: { widths: widthsIn(words, now.data.widths) },
            ifMatch: now.etag ?? '*',
          });
          tools.confirm(data, () => describeSpot(data, tools.colours));
          return 0;
        }),
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

const inWords = ({ phone, tablet, desktop }: Widths): string =>
  `${phone} px wide on a phone, ${tablet} on a tablet, ${desktop} on a desktop`;

const describeSpot = ({ key, widths, placements }: Spot, colours: Colours): string =>
  facts(
    [
      ['Spot', key],
      ['Width', inWords(widths)],
      ['Placed in it', String(placements)],
    ],
    colours,
  );

function widthsIn(words: readonly string[], now: Widths): Widths {
  const widths = { ...now };
  for (const word of words) {
    const found = /^(phone|tablet|desktop)=(\d{1,4})(?:px)?$/.exec(word);
    if (!found)
      throw new UsedWrongly(`“${word}” is not a width. Write phone=358 tablet=704 desktop=760, in px.`);
    widths[found[1] as keyof Widths] = Number(found[2]);
  }
  return widths;
}
