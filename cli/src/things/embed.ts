import { Option, type Command } from 'commander';
import { kinds, searchFields, type SearchField } from '@orbis/core';
import { spoken, type QueryOf, type Routes } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { describeEmbed } from '../describe/embed.ts';
import { atPlace, showPlaced } from '../commands/placed.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

type Narrowing = Pick<QueryOf<Routes['embeds.list']>, 'where' | 'kind' | 'tag' | 'host' | 'level'>;

/* How searches are written. */
const searchHelp = `Fields of a search (words, field=value, “and”, “or”, brackets, “-” for not):
${(Object.keys(searchFields) as SearchField[])
  .map((field) => `  ${searchFields[field].padEnd(36)}${spoken.search.fields[field]}`)
  .join('\n')}`;

/** The embeds of the collection; put there by collecting, harvesting and importing. */
export const embed: Thing = {
  list: (verb, run) => {
    verb
      .command('embeds', { isDefault: true })
      .allowExcessArguments()
      .option('--where <search>', 'those that a search finds')
      .addOption(new Option('--kind <kind>', 'those of one kind').choices(kinds))
      .option('--tag <tag>', 'those with a tag')
      .option('--host <host>', 'those whose code contacts a host')
      .addOption(
        new Option('--level <level>', 'by the worst of their findings').choices(['error', 'warning', 'note']),
      )
      .description('the collection, the newest first')
      .addHelpText(
        'after',
        `
Examples:
  orbis list embeds
  orbis list embeds --kind video --tag talks
  orbis list embeds --where 'kind=video,map -tag=talks placed=no'

${searchHelp}`,
      )
      .action((query: Narrowing, { args, parent }: Command) =>
        run(async (tools) => {
          // As it is the list that is meant where none is named, any other word ends here.
          const [word] = args;
          if (word !== undefined) throw new UsedWrongly(noList(word, parent!));
          const items = await every((after) =>
            tools.client().call('embeds.list', { query: { limit, after, ...query } }),
          );
          tellList(
            tools,
            items,
            {
              key: ({ key }) => key,
              name: ({ name, retired }) => (retired ? `${name} (retired)` : name),
              kind: ({ kind }) => kind,
              revision: ({ revision }) => String(revision),
              placed: ({ placements }) => String(placements),
              findings: ({ level }) => level ?? '–',
              tags: ({ tags }) => tags.join(', '),
            },
            Object.keys(query).length > 0
              ? 'Nothing in the collection fits that.'
              : 'The collection is empty. “orbis collect FILE --name NAME” puts the first code into it.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('embed')
      .argument('<embed>', 'its key, or embed@place for how it is at one place')
      .option('--pasted', 'print the code as it was pasted, and nothing else')
      .description('what it is, its options, and what is wrong with it')
      .addHelpText(
        'after',
        `
Examples:
  orbis show embed opening-talk
  orbis show embed opening-talk@hollinfell/talks#opening`,
      )
      .action((embed: string, options: { pasted?: boolean }) =>
        run(async (tools) => {
          const at = atPlace(embed);
          if (at && options.pasted)
            throw new UsedWrongly('--pasted is of an embed itself: name it without its place.');
          if (at) return showPlaced(at, tools);
          const { data } = await tools.client().call('embeds.read', { params: { embed } });
          if (options.pasted && !tools.json) tools.io.out(data.pasted);
          else tools.tell(data, () => describeEmbed(data, tools.colours));
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('embed')
      .argument('<embed>', 'its key')
      .option('--name <name>', 'call it something else; its key stays')
      .option('--tag <tag...>', 'add tags')
      .option('--untag <tag...>', 'take tags away')
      .option('--notes <text>', 'write other notes')
      .option('--retire', 'keep it, but place it nowhere any more')
      .option('--restore', 'take a retired one into use again')
      .option('--purge <reason>', 'take the code and the texts of a retired one out for good')
      .description('rename it, tag it, annotate it, retire or restore it; makes no revision')
      .addHelpText(
        'after',
        `
Examples:
  orbis change embed opening-talk --name "Opening talk, 2026" --tag archive
  orbis change embed old-map --retire
  orbis change embed old-map --purge 'Its licence has ended.'

What is purged does not come back. That it was there, where it stood and why it was purged is kept.

“orbis set” changes its options, “orbis renew” its code.`,
      )
      .action((embed: string, options: Details) =>
        run(async (tools) => {
          refuseNothing(options);
          const client = tools.client();
          const now = await client.call('embeds.read', { params: { embed } });
          if (options.purge !== undefined) {
            const { data } = await client.call('embeds.purge', {
              params: { embed },
              ifMatch: now.etag ?? '',
              body: { reason: options.purge },
            });
            tools.confirm(data, () => describeEmbed(data, tools.colours));
            return 0;
          }
          const retired = options.retire ? true : options.restore ? false : undefined;
          const { data } = await client.call('embeds.change', {
            params: { embed },
            ifMatch: now.etag ?? '',
            body: { name: options.name, notes: options.notes, tags: tagsOf(now.data, options), retired },
          });
          tools.confirm(data, () => describeEmbed(data, tools.colours));
          return 0;
        }),
      );
  },
};

const noList = (word: string, list: Command): string =>
  `There is no list of “${word}”. There are: ${list.commands.map((each) => each.name()).join(', ')}.`;

interface Details {
  name?: string;
  tag?: string[];
  untag?: string[];
  notes?: string;
  retire?: boolean;
  restore?: boolean;
  purge?: string;
}

function refuseNothing(options: Details): void {
  if (Object.keys(options).length === 0)
    throw new UsedWrongly(
      'Say what to change: --name, --tag, --untag, --notes, --retire, --restore or --purge.',
    );
  if (options.retire && options.restore)
    throw new UsedWrongly('--retire and --restore are opposites. Give one of them.');
  if (options.purge !== undefined && Object.keys(options).length > 1)
    throw new UsedWrongly('--purge goes by itself: nothing else is kept of what is purged.');
}

function tagsOf(now: { tags: string[] }, { tag, untag }: Details): string[] | undefined {
  if (!tag && !untag) return undefined;
  const away = new Set((untag ?? []).map((each) => each.toLowerCase()));
  return [...now.tags.filter((each) => !away.has(each.toLowerCase())), ...(tag ?? [])];
}
