import { optionsLine } from '@orbis/contract';
import { parseAsked } from '../asked.ts';
import type { AddCommand } from '../command.ts';
import { table } from '../text.ts';

export const addPresets: AddCommand = (program, run) => {
  const presets = program
    .command('presets')
    .description('options under one name, to be put on embeds together');
  addList(presets, run);
  addSave(presets, run);
  addRemove(presets, run);
};

const addList: AddCommand = (program, run) => {
  program
    .command('list')
    .description('list them: your own, and those that come with Orbis')
    .action(() =>
      run(async (tools) => {
        const { items } = (await tools.client().call('presets.list', {})).data;
        tools.tell(items, () =>
          table(
            ['preset', 'options', 'meaning'],
            items.map((preset) => [
              preset.key,
              optionsLine(preset.options),
              preset.own ? preset.meaning : `${preset.meaning} (built in)`,
            ]),
            tools.colours,
          ),
        );
        return 0;
      }),
    );
};

const addSave: AddCommand = (program, run) => {
  program
    .command('save')
    .argument('<preset>', 'its name: lower-case letters, digits and hyphens')
    .argument('<options...>', 'options, as name=value')
    .option('--meaning <text>', 'what it is for, in a sentence')
    .description('keep a preset of your own')
    .addHelpText(
      'after',
      '\nExample:\n  orbis presets save clip fit=shape max-width=720 align=centre --meaning "A clip in the text"\n  orbis set --where tag=talks --preset clip',
    )
    .action((preset: string, words: string[], options: { meaning?: string }) =>
      run(async (tools) => {
        const client = tools.client();
        const etag = await client.call('presets.read', { params: { preset } }).then(
          ({ etag }) => etag,
          () => null,
        );
        const { data } = await client.call('presets.save', {
          params: { preset },
          body: {
            options: await parseAsked(words, tools.client, null),
            ...(options.meaning === undefined ? {} : { meaning: options.meaning }),
          },
          ...(etag === null ? { ifNoneMatch: '*' } : { ifMatch: etag }),
        });
        tools.tell(
          data,
          () =>
            `Saved ${tools.colours.bold(data.key)}. “orbis set EMBED --preset ${data.key}” puts it on an embed.\n`,
        );
        return 0;
      }),
    );
};

const addRemove: AddCommand = (program, run) => {
  program
    .command('remove')
    .argument('<preset>', 'its name')
    .description('take a preset of your own away; embeds that had it put on them stay as they are')
    .action((preset: string) =>
      run(async (tools) => {
        await tools.client().call('presets.remove', { params: { preset }, ifMatch: '*' });
        tools.tell({ removed: preset }, () => `Removed ${preset}.\n`);
        return 0;
      }),
    );
};
