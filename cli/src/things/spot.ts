import { Option } from 'commander';
import { parsePlace, spoken, type Client, type Spot, type SpotValues } from '@orbis/contract';
import { spotDevices, type MeasuredWidths } from '@orbis/core';
import { UsedWrongly, type Tools } from '../command.ts';
import { facts, type Colours } from '../text.ts';
import { endedWith, endsPlacements, refuseToEnd } from './standing.ts';
import { measuredAt } from './spot-at.ts';
import { sizeIn, sizesInWords, type SpotSize } from './spot-size.ts';
import type { Thing } from './thing.ts';

const usual: SpotSize = { widths: { phone: 358, tablet: 704, desktop: 760 }, heights: {} };

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
      .addOption(at())
      .description('a position on a page, under a name')
      .addHelpText('after', help('add', 'hollinfell/talks#opening'))
      .action((place: string, words: string[], { at: selector }: { at?: string }) =>
        run(async (tools) => {
          parsePlace(place);
          const { body, measured } = await wanted(place, { words, selector, now: usual }, tools.client());
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
      .addOption(at())
      .description('say anew how large it is, or where')
      .addHelpText('after', help('change', 'hollinfell/talks#opening'))
      .action((spot: string, words: string[], { at: selector }: { at?: string }) =>
        run(async (tools) => {
          parsePlace(spot);
          if (words.length === 0 && selector === undefined)
            throw new UsedWrongly('Say how large it is now, such as desktop=728, or where: --at main.');
          const client = tools.client();
          const { data: now, etag } = await client.call('spots.read', { params: { spot } });
          const { body, measured } = await wanted(spot, { words, selector, now }, client);
          const { data } = await client.call('spots.change', {
            params: { spot },
            body,
            ifMatch: etag ?? '*',
          });
          tools.confirm(data, () => describeSpot(data, tools.colours));
          tellHidden(measured, tools);
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

const at = (): Option =>
  new Option(
    '--at <selector>',
    'the element of the published page that it is in, as a CSS selector, or “none”; how wide it is there is measured',
  );

const help = (verb: string, place: string): string =>
  `\nExamples:\n  orbis ${verb} spot ${place} desktop=728\n  orbis ${verb} spot ${place} --at main\n\n${sizesInWords}\n\n“orbis areas PAGE” lists what --at can be. Measuring needs Chromium where Orbis runs; what is typed is not measured.`;

/* What a spot is to be: the widths that nobody typed are measured where its element is said. */
async function wanted(
  place: string,
  { words, selector, now }: { words: string[]; selector: string | undefined; now: SpotSize & Partial<Spot> },
  client: Client,
): Promise<{ body: SpotValues; measured: MeasuredWidths | null }> {
  const isTyped = spotDevices.every((device) =>
    words.some((word) => !word.includes('=') || word.startsWith(device)),
  );
  // What is no size is refused before anything is measured.
  const typed = sizeIn(words, now);
  const where = selector === 'none' ? null : (selector ?? now.selector ?? null);
  const isMeasured = selector !== undefined && where !== null && !isTyped;
  const measured = isMeasured ? await measuredAt(place, where, { client, now }) : null;
  const size = measured ? sizeIn(words, { widths: measured.widths, heights: now.heights }) : typed;
  return { body: { ...size, selector: where }, measured };
}

function tellHidden(measured: MeasuredWidths | null, tools: Tools): void {
  if (measured && measured.hidden.length > 0) tools.note(`${spoken.spots.hidden(measured.hidden)}\n`);
}

const describeSpot = (spot: Spot, colours: Colours): string =>
  facts(
    [
      ['Spot', spot.key],
      ['Size', spoken.spots.size(spot)],
      ['Where', spot.selector ?? 'nobody said it'],
      ['Placed in it', String(spot.placements)],
    ],
    colours,
  );
