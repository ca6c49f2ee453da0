import { isWishName, joinWishes, parseWishes, unknownWish, withoutWishes, type Client, type Embed } from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { fold, plural } from '../text.ts';

export const addSet: AddCommand = (program, run) => {
  program
    .command('set')
    .argument('<embed>', 'the key of an embed')
    .argument('<wishes...>', 'settings and dress, as name=value')
    .description('change settings and dress; makes a new revision where something differs')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis set opening-talk start=1:52 end=3:04\n  orbis set opening-talk fit=shape max-width=800 align=centre\n  orbis set sky autoplay=on loop=on controls=off\n  orbis set opening-talk tracking=off parameter.hue=12\n\n“orbis settings” lists every wish with its meaning.',
    )
    .action((embed: string, words: string[]) =>
      run(async (tools) => {
        const wishes = parseWishes(words);
        return save(tools, embed, ({ current }) => joinWishes(current, wishes));
      }),
    );
  program
    .command('unset')
    .argument('<embed>', 'the key of an embed')
    .argument('<names...>', 'names of settings or dress')
    .description('take wishes back; what they put into the code is gone again')
    .addHelpText('after', '\nExample:\n  orbis unset opening-talk end max-width')
    .action((embed: string, names: string[]) =>
      run(async (tools) => {
        for (const name of names) if (!isWishName(name)) throw unknownWish(name);
        return save(tools, embed, ({ current }) => withoutWishes(current, names));
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
