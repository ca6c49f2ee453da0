import { linkIn, linksIn } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { parseAsked, sheetOfText } from '../asked.ts';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeEmbed } from '../describe/embed.ts';
import type { Exit } from '../io.ts';
import { pasted } from '../pasted.ts';
import { fold, table } from '../text.ts';

interface Options {
  name?: string;
  key?: string;
  tag?: string[];
  notes?: string;
  mend?: true | string[];
  askNobody?: boolean;
  skipRefused?: boolean;
}

export const addCollect: AddCommand = (program, run) => {
  program
    .command('collect')
    .argument('<what>', 'a file, - for standard input, or a link')
    .argument('[options...]', 'options, as name=value; or more links')
    .option('--name <name>', 'what to call it; without it, as its provider calls it')
    .option('--key <key>', 'the key to type for it; without it, one is made of the name')
    .option('--tag <tag...>', 'tags to find it by')
    .option('--notes <text>', 'whatever is worth remembering')
    .option('--ask-nobody', 'of a link: make the code without asking its host what it is')
    .option(
      '--skip-refused',
      'of several links: leave out those that cannot be collected, instead of collecting none',
    )
    .option(
      '--mend [rules...]',
      'mend what “orbis read” found and Orbis can mend: everything, or the faults named; what was pasted is kept',
    )
    .description('put a code, a link or several links into the collection')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis collect talk.html --name "Opening talk" --tag talks\n  orbis collect https://kinorill.localhost/films/moor-night start=1:52 end=3:04\n  orbis collect https://kinorill.localhost/films/moor-night https://mapmere.localhost/maps/tarn --tag festival\n\nA file can hold several links, one a line. Of several links each is called as its provider calls it.\nExit status: 0 collected, 1 collected and something is wrong with it or left out, 2 nothing was collected.',
    )
    .action((what: string, words: string[], options: Options) =>
      run(async (tools) => {
        const text = await pasted(what, tools.io);
        const links = [...linksIn(text), ...words.filter((word) => linkIn(word) !== null)];
        const asked = words.filter((word) => linkIn(word) === null);
        if (links.length > 1) return collectLinks(links, asked, options, tools);
        if (options.skipRefused)
          throw new UsedWrongly('--skip-refused is for several links; here is one code or link.');
        if (options.askNobody && linkIn(text) === null)
          throw new UsedWrongly('--ask-nobody is for a link; of a code nobody is asked.');
        const link = options.askNobody ? null : linkIn(text);
        if (link !== null) await announceAsking(link, tools);
        const { name, tag = [], notes = '', mend = false } = options;
        const { data } = await tools.client().call('embeds.create', {
          body: {
            ...(name !== undefined && { name }),
            ...(options.key !== undefined && { key: options.key }),
            text,
            tags: tag,
            notes,
            mend,
            ask: link !== null,
            options: await parseAsked(asked, tools.client, sheetOfText(text)),
          },
        });
        tools.confirm(
          data,
          () =>
            `Collected as ${tools.colours.bold(data.key)}.\n${sameNote(data)}\n${describeEmbed(data, tools.colours)}`,
        );
        return data.reading.findings.some((finding) => finding.level === 'error') ? 1 : 0;
      }),
    );
};

const sameNote = ({ key, same }: Embed): string =>
  same === null
    ? ''
    : `The same code is in the collection already, as ${same}. If one is enough: orbis change embed ${key} --retire\n`;

/* Each becomes an embed of its own; all of them or none. */
async function collectLinks(
  links: string[],
  asked: readonly string[],
  { name, key, notes, mend, tag = [], askNobody = false, skipRefused = false }: Options,
  tools: Tools,
): Promise<Exit> {
  if (asked.length > 0)
    throw new UsedWrongly(
      `Of several links none can have options of its own. Collect them first; then “orbis set --where …” changes all of them.`,
    );
  if ([name, key, notes, mend].some((each) => each !== undefined))
    throw new UsedWrongly(
      '--name, --key, --notes and --mend are for one link or code: of several, each is called as its provider calls it.',
    );
  if (!askNobody) for (const link of links) await announceAsking(link, tools);
  const { data } = await tools
    .client()
    .call('links.collect', { body: { links, tags: tag, ask: !askNobody, skipRefused } });
  tools.tell(data, () =>
    [
      data.taken.length > 0
        ? table(
            ['collected', 'name', 'link'],
            data.taken.map(({ embed, name: called, link }) => [embed, called, link]),
            tools.colours,
          )
        : 'Nothing was collected.\n',
      ...data.refused.map(
        ({ link, detail }) =>
          `${tools.colours.red('left out')} ${link}\n${fold(detail, tools.io.width, '  ')}`,
      ),
    ].join(''),
  );
  return data.refused.length > 0 ? 1 : 0;
}

/* Nobody is asked before the owner was told who. */
async function announceAsking(link: string, { client, note }: Tools): Promise<void> {
  const { data } = await client().call('links.find', { body: { link } });
  for (const { host, what } of data.asks)
    note(`Asking ${host} for ${what}. (--ask-nobody collects it without.)\n`);
}
