import { UsedWrongly, type AddCommand } from '../command.ts';
import { describeEmbed } from './collect.ts';

interface Options {
  name?: string;
  tag?: string[];
  untag?: string[];
  notes?: string;
  retire?: boolean;
  restore?: boolean;
}

export const addChange: AddCommand = (program, run) => {
  program
    .command('change')
    .argument('<embed>', 'the key of an embed')
    .option('--name <name>', 'call it something else; its key stays')
    .option('--tag <tag...>', 'add tags')
    .option('--untag <tag...>', 'take tags away')
    .option('--notes <text>', 'write other notes')
    .option('--retire', 'keep it, but place it nowhere any more')
    .option('--restore', 'take a retired one back')
    .description('rename an embed, tag it, annotate it, retire or restore it; makes no revision')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis change opening-talk --name "Opening talk, 2026" --tag archive\n  orbis change old-map --retire',
    )
    .action((embed: string, options: Options) =>
      run(async (tools) => {
        if (Object.keys(options).length === 0)
          throw new UsedWrongly(
            'Say what to change: --name, --tag, --untag, --notes, --retire or --restore.',
          );
        if (options.retire && options.restore)
          throw new UsedWrongly('--retire and --restore are opposites. Give one of them.');
        const client = tools.client();
        const now = await client.call('embeds.read', { params: { embed } });
        const away = new Set((options.untag ?? []).map((tag) => tag.toLowerCase()));
        const tags =
          options.tag || options.untag
            ? [...now.data.tags.filter((tag) => !away.has(tag.toLowerCase())), ...(options.tag ?? [])]
            : undefined;
        const retired = options.retire ? true : options.restore ? false : undefined;
        const { data } = await client.call('embeds.change', {
          params: { embed },
          ifMatch: now.etag ?? '',
          body: { name: options.name, notes: options.notes, tags, retired },
        });
        tools.tell(data, () => describeEmbed(data, tools.colours));
        return 0;
      }),
    );
};
