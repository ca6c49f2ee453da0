import { isWishName, joinWishes, parseWishes, unknownWish, withoutWishes, type Client, type Embed } from '@orbis/contract';
import { Option, type Command } from 'commander';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { changeAll, type GroupOptions } from './groups.ts';
import { fold, plural } from '../text.ts';

export const addSet: AddCommand = (program, run) => {
  const where = new Option('--where <search>', 'all embeds that a search finds, instead of one; “orbis list --help” explains searches');
  const group = (command: Command): Command =>
    command
      .addOption(where)
      .option('--dry-run', 'with --where: only say every edit of every embed')
      .option('--skip-impossible', 'with --where: leave alone what cannot have it, instead of refusing the whole');
  group(
    program
      .command('set')
      .argument('[embed]', 'the key of an embed; none with --where')
      .argument('[wishes...]', 'settings and dress, as name=value')
      .option('--preset <preset>', 'the wishes of a preset (may be said several times); “orbis presets list” shows them', (preset: string, all: string[]) => [...all, preset], []),
  )
    .description('change settings and dress; makes a new revision where something differs')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis set opening-talk start=1:52 end=3:04\n  orbis set opening-talk fit=shape max-width=800 align=centre\n  orbis set sky --preset silent-loop\n  orbis set opening-talk tracking=off parameter.hue=12\n  orbis set --where "kind=video host=play.kinorill.localhost" privacy=on --dry-run\n\n“orbis settings” lists every wish with its meaning; “orbis undo” takes a change of many back.',
    )
    .action((embed: string | undefined, words: string[], options: GroupOptions & { preset?: string[] }) =>
      run(async (tools) => {
        const said = options.where === undefined ? words : [embed, ...words].filter((word) => word !== undefined);
        let wishes = parseWishes(said);
        for (const preset of [...(options.preset ?? [])].reverse()) wishes = joinWishes((await tools.client().call('presets.read', { params: { preset } })).data, wishes);
        if (options.where !== undefined) return changeAll(tools, { ...options, where: options.where }, { settings: wishes.settings, dress: wishes.dress });
        return save(tools, oneOf(embed), ({ current }) => joinWishes(current, wishes));
      }),
    );
  group(program.command('unset').argument('[embed]', 'the key of an embed; none with --where').argument('[names...]', 'names of settings or dress'))
    .description('take wishes back; what they put into the code is gone again')
    .addHelpText('after', '\nExamples:\n  orbis unset opening-talk end max-width\n  orbis unset --where "tag=talks" loop')
    .action((embed: string | undefined, rest: string[], options: GroupOptions) =>
      run(async (tools) => {
        const names = options.where === undefined ? rest : [embed, ...rest].filter((name) => name !== undefined);
        for (const name of names) if (!isWishName(name)) throw unknownWish(name);
        if (options.where !== undefined) return changeAll(tools, { ...options, where: options.where }, { unset: names });
        return save(tools, oneOf(embed), ({ current }) => withoutWishes(current, names));
      }),
    );
  program
    .command('edits')
    .argument('<embed>', 'the key of an embed')
    .description('show the code before and after, and each edit with its reason')
    .action((embed: string) =>
      run(async (tools) => {
        const client = tools.client();
        const { data } = await client.call('embeds.read', { params: { embed } });
        const { data: outcome } = await client.call('outcomes.create', { body: { embed, settings: data.current.settings, dress: data.current.dress } });
        tools.tell(
          outcome,
          () => `${tools.colours.dim('before')}\n${outcome.base.trim()}\n\n${tools.colours.dim('after')}\n${outcome.text.trim()}\n\n${sayEdits(outcome.edits, tools)}`,
        );
        return 0;
      }),
    );
};

function oneOf(embed: string | undefined): string {
  if (embed === undefined) throw new UsedWrongly('Name an embed, or say with --where which ones.');
  return embed;
}

async function save(tools: Tools, embed: string, change: (now: Embed) => Pick<Embed['current'], 'settings' | 'dress'>): Promise<0> {
  const client = tools.client();
  const before = await client.call('embeds.read', { params: { embed } });
  const { data, status } = await client.call('revisions.create', { params: { embed }, body: change(before.data), ifMatch: before.etag ?? '' });
  const outcome = await outcomeOf(client, data);
  const register = status === 201 && data.placements > 0 ? `${plural(data.placements, 'placement')} of it may carry an earlier code now: “orbis where ${data.key}” tells.\n` : '';
  tools.tell(data, () =>
    status === 201
      ? `Revision ${data.revision} of ${tools.colours.bold(data.key)}.\n\n${sayEdits(outcome.edits, tools)}\n${register}`
      : `Nothing differs: ${data.key} stays at revision ${data.revision}.\n`,
  );
  return 0;
}

const outcomeOf = async (client: Client, { key, current }: Embed) =>
  (await client.call('outcomes.create', { body: { embed: key, settings: current.settings, dress: current.dress } })).data;

function sayEdits(edits: readonly { text: string; stage: string; reason: string }[], { colours, io }: Tools): string {
  if (edits.length === 0) return 'No edit: the code goes out as it was pasted.\n';
  return edits.map((edit) => `${colours.green('+')} ${edit.text.trim() || '(taken out)'}\n${fold(edit.reason, io.width, '  ')}`).join('');
}
