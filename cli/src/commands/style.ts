import { starterStyle } from '@orbis/core';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { textOf } from '../pasted.ts';

interface Options {
  starter?: boolean;
  keep?: boolean;
  none?: boolean;
}

export const addStyle: AddCommand = (program, run) => {
  program
    .command('style')
    .argument('<site>', 'its key')
    .argument('[file]', 'a style sheet that the site is to have from now on; - for standard input')
    .option('--starter', 'one made of the colours and the font of the site, to begin with')
    .option('--keep', 'keep the starter')
    .option('--none', 'the site is to have none any more')
    .description('the style of a site for what is in frames of their own')
    .addHelpText(
      'after',
      `
Examples:
  orbis style hollinfell
  orbis style hollinfell --starter > frames.css
  orbis style hollinfell frames.css
  orbis style hollinfell --starter --keep

What stands in a frame has none of the styles of its page: it gets this one instead. “orbis set EMBED
site-style=off” leaves it out of one. Nothing can be loaded by @import in it.`,
    )
    .action((site: string, file: string | undefined, options: Options) =>
      run((tools) => style(tools, site, file, options)),
    );
};

async function style(
  tools: Tools,
  site: string,
  file: string | undefined,
  { starter = false, keep = false, none = false }: Options,
): Promise<Exit> {
  if ([file !== undefined, starter, none].filter(Boolean).length > 1)
    throw new UsedWrongly('Give a file, or --starter, or --none: only one of them.');
  if (keep && !starter) throw new UsedWrongly('--keep goes with --starter.');
  const client = tools.client();
  const made = starter ? await starterFor(client, site) : null;
  const wanted = none ? '' : file !== undefined ? await textOf(file, tools.io) : keep ? made : null;
  if (wanted === null)
    return show(tools, made ?? (await client.call('sites.read', { params: { site } })).data.frameStyle, site);
  const { etag } = await client.call('sites.read', { params: { site } });
  const { data } = await client.call('sites.change', {
    params: { site },
    ifMatch: etag ?? '*',
    body: { frameStyle: wanted },
  });
  tools.confirm(data, () =>
    wanted === ''
      ? `${data.name} has no style for frames any more.\n`
      : `${wanted}\n${data.name} has this style for what is in frames now.\n`,
  );
  tools.note(
    'Served embeds have it within a minute; what is enclosed or in a file has to be pasted or put there again.\n',
  );
  return 0;
}

function show(tools: Tools, style: string, site: string): Exit {
  tools.tell({ site, style }, () =>
    style === ''
      ? `There is none. “orbis style ${site} --starter” makes one of its colours and its font.\n`
      : style,
  );
  return 0;
}

/* Of the colours that are kept, where there are some; the font is read from its first page. */
async function starterFor(client: ReturnType<Tools['client']>, site: string): Promise<string> {
  const { data } = await client.call('sites.read', { params: { site } });
  const { data: found } = await client.call('sites.colours', { params: { site }, body: { path: '' } });
  const colours = data.colours.length > 0 ? data.colours : found.colours.map(({ colour }) => colour);
  return starterStyle({ colours, font: found.font });
}
