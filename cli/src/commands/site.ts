import { Option } from 'commander';
import { withoutOptions, kinds, type KindDefaults, type Kind } from '@orbis/core';
import { optionsLine, spoken, type Site } from '@orbis/contract';
import { parseAsked } from '../asked.ts';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { facts, type Colours } from '../text.ts';

interface Options {
  kind: Kind | 'any';
  unset?: string[];
}

export const addSite: AddCommand = (program, run) => {
  program
    .command('site')
    .argument('<site>', 'the key of a site')
    .argument('[values...]', 'head=yes or head=no, and options for every embed on it, as name=value')
    .addOption(
      new Option('--kind <kind>', 'only for embeds of this kind').choices(['any', ...kinds]).default('any'),
    )
    .option('--unset <names...>', 'take such options back')
    .description(
      'show a site, say whether it has a way into the heads of its pages, and set options for all embeds on it',
    )
    .addHelpText(
      'after',
      '\nExamples:\n  orbis site hollinfell\n  orbis site hollinfell head=yes\n  orbis site hollinfell align=centre\n  orbis site hollinfell max-width=720 --kind video\n\nWhat is asked of an embed itself, or of one of its places, wins over what its site asks.',
    )
    .action((key: string, words: string[], { kind, unset = [] }: Options) =>
      run(async (tools) => {
        const client = tools.client();
        const now = await client.call('sites.read', { params: { site: key } });
        const head = headIn(words);
        const asked = await parseAsked(
          words.filter((word) => !word.startsWith('head=')),
          tools.client,
          null,
        );
        if (head === null && Object.keys(asked).length === 0 && unset.length === 0) {
          tools.tell(now.data, () => describeSite(now.data, tools.colours));
          return 0;
        }
        const defaults: KindDefaults = {
          ...now.data.defaults,
          [kind]: { ...withoutOptions(now.data.defaults[kind] ?? {}, unset), ...asked },
        };
        const { data } = await client.call('sites.change', {
          params: { site: key },
          ifMatch: now.etag ?? '',
          body: { defaults, ...(head !== null && { head }) },
        });
        tools.tell(
          data,
          () =>
            `${describeSite(data, tools.colours)}\nPages keep the code that they carry until you paste the new one there: “orbis list placements --state out-of-date” tells where.\n`,
        );
        return 0;
      }),
    );
};

function headIn(words: readonly string[]): boolean | null {
  const said = words.findLast((word) => word.startsWith('head='));
  if (said === undefined) return null;
  if (said !== 'head=yes' && said !== 'head=no')
    throw new UsedWrongly(`“${said}” is neither head=yes nor head=no.`);
  return said === 'head=yes';
}

function describeSite({ key, name, address, pages, head, defaults }: Site, colours: Colours): string {
  const asked = (Object.keys(defaults) as (Kind | 'any')[])
    .filter((kind) => Object.keys(defaults[kind] ?? {}).length > 0)
    .map((kind): [string, string] => [
      kind === 'any' ? 'Of all embeds' : `Of ${spoken.kindNames[kind].many}`,
      optionsLine(defaults[kind] ?? {}),
    ]);
  return facts(
    [
      ['Key', key],
      ['Name', name],
      ['Address', address],
      ['Pages', String(pages)],
      ['Into the head', head ? 'yes: loaders and styles go there once a page' : 'no: each code stays whole'],
      ...asked,
    ],
    colours,
  );
}
