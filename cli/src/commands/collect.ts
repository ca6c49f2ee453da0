import { linkIn, sayTime } from '@orbis/core';
import { foundBy, parseWishes, sayBytes, sayWishes, type Embed, type Found } from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { pasted } from '../pasted.ts';
import { facts, type Colours } from '../text.ts';

export const addCollect: AddCommand = (program, run) => {
  program
    .command('collect')
    .argument('<what>', 'a file, - for standard input, or a link')
    .argument('[wishes...]', 'settings and dress, as name=value')
    .requiredOption('--name <name>', 'what to call it')
    .option('--tag <tag...>', 'tags to find it by')
    .option('--notes <text>', 'whatever is worth remembering')
    .option('--ask-nobody', 'of a link: make the code without asking its host what it is')
    .option('--mend [rules...]', 'mend what “orbis read” found and Orbis can mend: everything, or the faults named; what was pasted is kept')
    .description('put a code or a link into the collection')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis collect talk.html --name "Opening talk" --tag talks\n  orbis collect https://kinorill.localhost/reels/moor-night --name "Moor night" start=1:52 end=3:04',
    )
    .action((what: string, words: string[], options: { name: string; tag?: string[]; notes?: string; mend?: true | string[]; askNobody?: boolean }) =>
      run(async (tools) => {
        const text = await pasted(what, tools.io);
        const link = options.askNobody ? null : linkIn(text);
        if (link !== null) await sayAsks(link, tools);
        const { data } = await tools.client().call('embeds.create', {
          body: { name: options.name, text, tags: options.tag ?? [], notes: options.notes ?? '', mend: options.mend ?? false, ask: link !== null, ...parseWishes(words) },
        });
        tools.tell(data, () => `Collected as ${tools.colours.bold(data.key)}.\n\n${describeEmbed(data, tools.colours)}`);
        return data.reading.findings.some((finding) => finding.level === 'error') ? 1 : 0;
      }),
    );
};

/* Nobody is asked before the owner was told who. */
async function sayAsks(link: string, { client, io }: Tools): Promise<void> {
  const { data } = await client().call('links.find', { body: { link } });
  for (const { host, what } of data.asks) io.err(`Asking ${host} for ${what}. (--ask-nobody collects it without.)\n`);
}

/** An embed as people read it. */
export function describeEmbed(embed: Embed, colours: Colours): string {
  const wishes = sayWishes(embed.current);
  const rows: [string, string][] = [
    ['Key', embed.key],
    ['Name', embed.name],
    ['What it is', `${embed.kind}${embed.reading.provider ? ` by ${embed.reading.provider.name}` : ''}`],
    ['Revision', `${embed.revision}`],
    ['Wishes', wishes.map(({ name, value }) => `${name}=${value}`).join('  ') || 'none: it goes out as it was pasted'],
    ['Placed', embed.placements === 0 ? 'nowhere yet' : embed.placements === 1 ? 'once' : `${embed.placements} times`],
  ];
  if (embed.tags.length > 0) rows.push(['Tags', embed.tags.join(', ')]);
  if (embed.notes) rows.push(['Notes', embed.notes]);
  if (embed.retired) rows.push(['Retired', 'yes']);
  if (embed.found) rows.push(...describeFound(embed.found));
  if (embed.direct) rows.push(['See it at', embed.direct]);
  for (const finding of embed.reading.findings) rows.push([finding.level, `${finding.message} ${finding.remedy}`]);
  return facts(rows, colours);
}

const describeFound = (found: Found): [string, string][] => {
  const title = [found.title, found.author && `by ${found.author}`].filter(Boolean).join(', ');
  const file = [
    found.type,
    found.bytes === null ? null : sayBytes(found.bytes),
    found.width === null || found.height === null ? null : `${found.width} × ${found.height}`,
    found.length === null ? null : `${sayTime(Math.round(found.length))} long`,
    found.ranges === false ? 'its host does not answer in ranges: nobody can jump in it' : null,
  ].filter((word) => word !== null);
  return [
    ...(title ? [['Title', title] as [string, string]] : []),
    ...(file.length > 0 ? [['Size', file.join(', ')] as [string, string]] : []),
    ['Found', `${foundBy[found.how]}, ${found.at.slice(0, 16).replace('T', ' ')} UTC`],
  ];
};
