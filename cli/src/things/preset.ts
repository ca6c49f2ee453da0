import { withoutOptions } from '@orbis/core';
import { optionsLine, type Preset } from '@orbis/contract';
import { parseAsked } from '../asked.ts';
import { UsedWrongly } from '../command.ts';
import { facts, type Colours } from '../text.ts';
import { tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Options under one name, to be put on embeds together. */
export const preset: Thing = {
  list: (verb, run) => {
    verb
      .command('presets')
      .description('your own, and those that come with Orbis')
      .action(() =>
        run(async (tools) => {
          const { items } = (await tools.client().call('presets.list', {})).data;
          tellList(
            tools,
            items,
            {
              preset: ({ key }) => key,
              options: ({ options }) => optionsLine(options),
              meaning: ({ own, meaning }) => (own ? meaning : `${meaning} (built in)`),
            },
            'There is none.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('preset')
      .argument('<preset>', 'its name')
      .description('its options')
      .action((preset: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('presets.read', { params: { preset } });
          tools.tell(data, () => describePreset(data, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('preset')
      .argument('<preset>', 'its name: lower-case letters, digits and hyphens')
      .argument('<options...>', 'options, as name=value')
      .option('--meaning <text>', 'what it is for, in a sentence')
      .description('options under a name')
      .addHelpText(
        'after',
        `
Example:
  orbis add preset clip fit=shape max-width=720 align=centre --meaning "A clip in the text"
  orbis set --where tag=talks --preset clip`,
      )
      .action((preset: string, words: string[], options: { meaning?: string }) =>
        run(async (tools) => {
          const { data } = await tools.client().call('presets.save', {
            params: { preset },
            body: { options: await parseAsked(words, tools.client, null), ...options },
            ifNoneMatch: '*',
          });
          tools.confirm(
            data,
            () =>
              `Added ${tools.colours.bold(data.key)}. “orbis set EMBED --preset ${data.key}” puts it on an embed.\n`,
          );
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('preset')
      .argument('<preset>', 'its name; of one that comes with Orbis, your own takes its place')
      .argument('[options...]', 'options, as name=value; the others stay')
      .option('--unset <names...>', 'take options out of it')
      .option('--meaning <text>', 'what it is for, in a sentence')
      .description('its options; embeds that had it put on them stay as they are')
      .action(
        (preset: string, words: string[], { unset = [], meaning }: { unset?: string[]; meaning?: string }) =>
          run(async (tools) => {
            if (words.length === 0 && unset.length === 0 && meaning === undefined)
              throw new UsedWrongly('Say what to change: an option, --unset or --meaning.');
            const client = tools.client();
            const now = await client.call('presets.read', { params: { preset } });
            const options = {
              ...withoutOptions(now.data.options, unset),
              ...(await parseAsked(words, tools.client, null)),
            };
            const { data } = await client.call('presets.save', {
              params: { preset },
              body: { options, meaning: meaning ?? now.data.meaning },
              ifMatch: now.etag ?? '*',
            });
            tools.confirm(data, () => describePreset(data, tools.colours));
            return 0;
          }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('preset')
      .argument('<preset>', 'its name')
      .description('one of your own; embeds that had it put on them stay as they are')
      .action((preset: string) =>
        run(async (tools) => {
          const client = tools.client();
          const { etag } = await client.call('presets.read', { params: { preset } });
          await client.call('presets.remove', { params: { preset }, ifMatch: etag ?? '*' });
          tools.confirm({ removed: preset }, () => `Removed ${preset}.\n`);
          return 0;
        }),
      );
  },
};

const describePreset = ({ key, options, meaning, own }: Preset, colours: Colours): string =>
  facts(
    [
      ['Preset', own ? key : `${key} (built in)`],
      ['Options', optionsLine(options)],
      ['Meaning', meaning],
    ],
    colours,
  );
