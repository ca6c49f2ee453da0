import { withoutOptions, type Options } from '@orbis/core';
import { formatOptions, type Client, type Edit, type Embed, plural } from '@orbis/contract';
import { Option, type Command } from 'commander';
import { checkNames, parseAsked, sheetOfEmbed, type WhoseSheet } from '../asked.ts';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { editLines } from '../describe/edits.ts';
import { changeAll, type GroupOptions } from './groups.ts';
import { atPlace, changePlaced, formatUncarried } from './placed.ts';

/* Of one embed, or of all that a search finds. */
const where = new Option(
  '--where <search>',
  'all embeds that a search finds, instead of one; “orbis list embeds --help” explains searches',
);
const group = (command: Command): Command =>
  command
    .addOption(where)
    .option('--dry-run', 'with --where: only say every edit of every embed')
    .option(
      '--skip-impossible',
      'with --where: leave alone what cannot have it, instead of refusing the whole',
    );
export const addSet: AddCommand = (program, run) => {
  addSetting(program, run);
  addUnsetting(program, run);
  addExplain(program, run);
};

interface SetOptions extends GroupOptions {
  preset?: string[];
  note?: string;
}

/* What is for many says nothing of one. */
function refuseForOne({ where: search, dryRun, skipImpossible }: GroupOptions): void {
  if (search !== undefined) return;
  const other = dryRun ? '--dry-run' : skipImpossible ? '--skip-impossible' : null;
  if (other) throw new UsedWrongly(`${other} is for many embeds: say with --where which ones.`);
}

const addSetting: AddCommand = (program, run) => {
  group(
    program
      .command('set')
      .argument('[embed]', 'the key of an embed, or embed@place for one place only; none with --where')
      .argument('[options...]', 'options, as name=value')
      .option(
        '--preset <preset>',
        'the options of a preset (may be said several times); “orbis list presets” shows them',
        (preset: string, all: string[]) => [...all, preset],
        [],
      )
      .option('--note <words>', 'why, in your own words; kept with the revision'),
  )
    .description('change the options of an embed; makes a new revision where something differs')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis set opening-talk start=1:52 end=3:04\n  orbis set opening-talk fit=shape max-width=800 align=centre --note "for the new layout"\n  orbis set sky --preset silent-loop\n  orbis set opening-talk@hollinfell/talks#main max-width=320\n  orbis set opening-talk tracking=off parameter.hue=12\n  orbis set --where "kind=video host=play.kinorill.localhost" privacy=on --dry-run\n\n“orbis options” lists every option with its meaning; “orbis undo” takes it back.',
    )
    .action((embed: string | undefined, words: string[], options: SetOptions) =>
      run(async (tools) => {
        refuseForOne(options);
        if (options.note !== undefined && (options.where !== undefined || atPlace(oneOf(embed)) !== null))
          throw new UsedWrongly('--note is for the revision of one embed.');
        const said =
          options.where === undefined ? words : [embed, ...words].filter((word) => word !== undefined);
        let asked = await parseAsked(
          said,
          tools.client,
          options.where === undefined ? sheetFor(embed) : null,
        );
        for (const preset of [...(options.preset ?? [])].reverse())
          asked = {
            ...(await tools.client().call('presets.read', { params: { preset } })).data.options,
            ...asked,
          };
        if (options.where !== undefined)
          return changeAll(tools, { ...options, where: options.where }, { options: asked });
        const at = atPlace(oneOf(embed));
        if (at) return changePlaced(at, tools, (now) => ({ ...now, ...asked }));
        return save(tools, oneOf(embed), ({ current }) => ({ ...current.options, ...asked }), options.note);
      }),
    );
};

const addUnsetting: AddCommand = (program, run) => {
  group(
    program
      .command('unset')
      .argument('[embed]', 'the key of an embed, or embed@place for one place only; none with --where')
      .argument('[names...]', 'names of options'),
  )
    .description('take options back; what they put into the code is gone again')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis unset opening-talk end max-width\n  orbis unset --where "tag=talks" loop',
    )
    .action((embed: string | undefined, rest: string[], options: GroupOptions) =>
      run(async (tools) => {
        refuseForOne(options);
        const names =
          options.where === undefined ? rest : [embed, ...rest].filter((name) => name !== undefined);
        await checkNames(names, tools.client, options.where === undefined ? sheetFor(embed) : null);
        if (options.where !== undefined)
          return changeAll(tools, { ...options, where: options.where }, { unset: names });
        const at = atPlace(oneOf(embed));
        if (at) return changePlaced(at, tools, (now) => withoutOptions(now, names));
        return save(tools, oneOf(embed), ({ current }) => withoutOptions(current.options, names));
      }),
    );
};

const addExplain: AddCommand = (program, run) => {
  program
    .command('explain')
    .argument('<embed>', 'the key of an embed')
    .description('show the code before and after, and each edit with its reason')
    .action((embed: string) =>
      run(async (tools) => {
        const client = tools.client();
        const { data } = await client.call('embeds.read', { params: { embed } });
        const { data: composition } = await client.call('compositions.create', {
          body: { embed, options: data.current.options },
        });
        tools.tell(
          composition,
          () =>
            `${tools.colours.dim('before')}\n${composition.base.trim()}\n\n${tools.colours.dim('after')}\n${composition.text.trim()}\n\n${formatEdits(composition.edits, tools)}`,
        );
        return 0;
      }),
    );
};

/* The sheet of the embed that is meant, with a place or without. */
const sheetFor = (embed: string | undefined): WhoseSheet | null =>
  embed === undefined ? null : sheetOfEmbed(atPlace(embed)?.embed ?? embed);

function oneOf(embed: string | undefined): string {
  if (embed === undefined) throw new UsedWrongly('Name an embed, or say with --where which ones.');
  return embed;
}

async function save(tools: Tools, embed: string, change: (now: Embed) => Options, note?: string): Promise<0> {
  const client = tools.client();
  const before = await client.call('embeds.read', { params: { embed } });
  const { data, status } = await client.call('revisions.create', {
    params: { embed },
    body: { options: change(before.data), ...(note !== undefined && { note }) },
    ifMatch: before.etag ?? '',
  });
  const composition = await compositionOf(client, data);
  const register =
    status === 201 && data.placements > 0
      ? `${plural(data.placements, 'placement')} of it may carry an earlier code now: “orbis where ${data.key}” tells.\n`
      : '';
  tools.confirm(data, () =>
    status === 201
      ? `Revision ${data.revision} of ${tools.colours.bold(data.key)}: ${changesLine(before.data, data)}.\n\n${formatEdits(composition.edits, tools)}${formatUncarried(composition.uncarried, tools.io.width)}\n${register}`
      : `Nothing differs: ${data.key} stays at revision ${data.revision}.\n`,
  );
  return 0;
}

/* What changed, each from what held before to what holds now: “zoom 12 → 16”. */
function changesLine(before: Embed, after: Embed): string {
  const [was, is] = [before, after].map(
    ({ inCode, current }) =>
      new Map(formatOptions({ ...inCode, ...current.options }).map(({ name, value }) => [name, value])),
  ) as [Map<string, string>, Map<string, string>];
  const names = [...new Set([...was.keys(), ...is.keys()])].filter((name) => was.get(name) !== is.get(name));
  return (
    names.map((name) => `${name} ${was.get(name) ?? 'not set'} → ${is.get(name) ?? 'not set'}`).join(', ') ||
    'the same as in the code'
  );
}

const compositionOf = async (client: Client, { key, current }: Embed) =>
  (await client.call('compositions.create', { body: { embed: key, options: current.options } })).data;

const formatEdits = (edits: readonly Edit[], tools: Tools): string =>
  editLines(edits, tools) || 'No edit: the code goes out as it was pasted.\n';
