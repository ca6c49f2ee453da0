import { parsePlace, type Client, type Placement } from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { placementsOf } from './list.ts';

export const addPlace: AddCommand = (program, run) => {
  addPlacing(program, run);
  addCode(program, run);
};

const addPlacing: AddCommand = (program, run) => {
  program
    .command('place')
    .argument('<embed>', 'the key of an embed')
    .argument('<place>', 'where: site, path and spot, such as hollinfell/talks#main')
    .description('put an embed into a spot of a page, in the register')
    .addHelpText(
      'after',
      '\nExample:\n  orbis place opening-talk hollinfell/talks#main\n\nThen “orbis code opening-talk hollinfell/talks#main” prints what to paste there.',
    )
    .action((embed: string, place: string) =>
      run(async (tools) => {
        parsePlace(place);
        const { data } = await tools.client().call('placements.create', { body: { embed, place } });
        tools.tell(
          data,
          () =>
            `Placed ${data.embed} in ${data.place} (placement ${data.id}).\n“orbis code ${data.embed} ${data.place}” prints what to paste there.\n`,
        );
        return 0;
      }),
    );
};

const addCode: AddCommand = (program, run) => {
  program
    .command('code')
    .argument('<embed>', 'the key of an embed, or the id of a placement')
    .argument('[place]', 'for which place; needed where it is in several')
    .option(
      '--link',
      'a link instead, for site editors that take no code: what is changed later shows there by itself',
    )
    .option('--bare', 'without a place: no mark, so that no sweep can know it again')
    .description('print the code to paste, and nothing else')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis code opening-talk hollinfell/talks#main\n  orbis code opening-talk hollinfell/talks#main --link\n  orbis code opening-talk --bare > talk.html',
    )
    .action((embed: string, place: string | undefined, options: { bare?: boolean; link?: boolean }) =>
      run(async (tools) => {
        const client = tools.client();
        if (options.bare) {
          const { data } = await client.call('embeds.read', { params: { embed } });
          const { data: composition } = await client.call('compositions.create', {
            body: { embed, options: data.current.options },
          });
          tools.tell(composition, () => withNewline(composition.text));
          return 0;
        }
        const placement = await thePlacement(client, embed, place);
        if (options.link) {
          const { data } = await client.call('placements.link', { params: { placement } });
          tools.tell({ placement, link: data.link }, () => `${data.link}\n`);
          return 0;
        }
        const { data } = await client.call('deliveries.create', { params: { placement } });
        if (tools.io.errIsTerminal && !tools.json)
          tools.io.err(
            tools.colours.dim(
              `delivery ${data.number} of placement ${data.placement}, revision ${data.revision}\n`,
            ),
          );
        const elsewhere = data.snippets.some(({ position }) => position !== 'spot');
        if (elsewhere && !tools.json)
          tools.io.err(
            `The page needs something in its head as well, once: “orbis plan ${await pageOf(client, placement)}” shows it.\n`,
          );
        tools.tell(data, () => withNewline(data.text));
        return 0;
      }),
    );
};

const pageOf = async (client: Client, placement: string): Promise<string> =>
  (await client.call('placements.read', { params: { placement } })).data.page;

const withNewline = (text: string): string => (text.endsWith('\n') ? text : `${text}\n`);

/** The placement that is meant, by its id or by embed and place. */
export async function thePlacement(
  client: Client,
  embed: string,
  place: string | undefined,
): Promise<string> {
  if (place === undefined && /^[0-9a-hjkmnp-tv-z]{10}$/.test(embed)) {
    const direct = await client.call('placements.read', { params: { placement: embed } }).catch(() => null);
    if (direct) return direct.data.id;
  }
  const all: Placement[] = await placementsOf(client, { embed });
  const fitting = place === undefined ? all : all.filter((p) => p.place === place);
  if (fitting.length === 1) return fitting[0]!.id;
  if (all.length === 0)
    throw new UsedWrongly(
      `${embed} is not placed anywhere. Place it first: orbis place ${embed} SITE/PATH#SPOT. Or print it without a place: --bare.`,
    );
  if (fitting.length === 0)
    throw new UsedWrongly(`${embed} is not in ${place}. It is in: ${all.map((p) => p.place).join(', ')}.`);
  throw new UsedWrongly(`${embed} is in several places. Say which: ${all.map((p) => p.place).join(', ')}.`);
}
