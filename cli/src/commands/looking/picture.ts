import ora from 'ora';
import { ApiError, isOfOnePicture, plural, type Client } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../../command.ts';
import { every, limit } from '../../things/every.ts';
import { progressBar } from '../../text.ts';

interface Options {
  missing?: boolean;
}

export const addPicture: AddCommand = (program, run) => {
  program
    .command('picture')
    .argument('[embeds...]', 'the keys of embeds')
    .option('--missing', 'of all embeds that have none of their newest revision')
    .description('take the small pictures by which the console lists embeds; needs Chromium where Orbis runs')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis picture opening-talk comet\n  orbis picture --missing\n\nExit status: 0 done, 1 some showed nothing that could be photographed.',
    )
    .action((embeds: string[], { missing = false }: Options) =>
      run(async (tools) => {
        if ((embeds.length === 0) !== missing)
          throw new UsedWrongly(
            'Name embeds, or say --missing for all that have none of their newest revision.',
          );
        const client = tools.client();
        const keys = missing ? await withoutPicture(client) : embeds;
        const { taken, refused } = await takeAll(keys, tools);
        tools.confirm({ taken, refused }, () =>
          keys.length === 0 ? 'Every embed has its picture.\n' : `Took ${plural(taken.length, 'picture')}.\n`,
        );
        for (const { embed, detail } of refused) tools.note(`${embed}: ${detail}\n`);
        return refused.length > 0 ? 1 : 0;
      }),
    );
};

/* Those with a picture of an earlier revision as well. */
const withoutPicture = async (client: Client): Promise<string[]> =>
  (await every((after) => client.call('embeds.list', { query: { limit, after } })))
    .filter(({ pictured, revision, retired }) => pictured !== revision && !retired)
    .map(({ key }) => key);

async function takeAll(
  keys: readonly string[],
  tools: Tools,
): Promise<{ taken: string[]; refused: { embed: string; detail: string }[] }> {
  const client = tools.client();
  const taken: string[] = [];
  const refused: { embed: string; detail: string }[] = [];
  const bar =
    tools.io.errIsTerminal && !tools.quiet && !tools.json
      ? ora({ text: progressBar(0, keys.length), stream: process.stderr }).start()
      : null;
  try {
    for (const embed of keys) {
      try {
        await client.call('embeds.photograph', { params: { embed }, body: {}, signal: tools.io.signal });
        taken.push(embed);
      } catch (error) {
        if (!(error instanceof ApiError) || !isOfOnePicture(error.code)) throw error;
        refused.push({ embed, detail: error.message });
      }
      if (bar) bar.text = progressBar(taken.length + refused.length, keys.length);
    }
  } finally {
    bar?.stop();
  }
  return { taken, refused };
}
