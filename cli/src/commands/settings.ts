import { dressOptions, frameSettings, handName, kinds, settings, type Kind, type SettingDefinition } from '@orbis/core';
import { listServiceSettings } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { fold, table } from '../text.ts';

export const addSettings: AddCommand = (program, run) => {
  program
    .command('settings')
    .argument('[of]', 'a kind of embed, or a provider: only what makes sense for it')
    .option('--service', 'the settings of the service itself: environment variables')
    .description('list every wish with its meaning and an example')
    .addHelpText('after', '\nExamples:\n  orbis settings\n  orbis settings map\n  orbis settings kinorill')
    .action((of: string | undefined, options: { service?: boolean }) =>
      run(async (tools) => {
        if (options.service) {
          const items = listServiceSettings();
          tools.tell(items, () =>
            items.map((s) => `${tools.colours.bold(s.name)}${s.default ? tools.colours.dim(`  (${s.default})`) : ''}\n${fold(s.meaning, tools.io.width, '  ')}`).join(''),
          );
          return 0;
        }
        const items = [
          ...settingsOf(of).map((s) => ({ name: s.name, group: 'settings', meaning: s.explain, example: `${s.name}=${s.example}` })),
          {
            name: handName('NAME'),
            group: 'settings',
            meaning: 'A parameter of the address by the provider’s own name; it wins over a setting.',
            example: `${handName('hue')}=12`,
          },
          ...dressOptions.map((o) => ({ name: o.name, group: 'dress', meaning: o.explain, example: `${o.name}=${o.example}` })),
        ];
        tools.tell(items, () =>
          table(
            ['wish', 'example', 'meaning'],
            items.map((i) => [i.name, i.example, i.meaning]),
            tools.colours,
          ),
        );
        return 0;
      }),
    );
};

/* The settings that make sense for a kind, or that a provider offers. */
function settingsOf(of: string | undefined): readonly SettingDefinition[] {
  if (of === undefined) return settings;
  if (kinds.includes(of as Kind)) return settings.filter((setting) => setting.kinds === 'any' || setting.kinds.includes(of as Kind));
  const sheet = builtInSheets().find(({ id }) => id === of.toLowerCase());
  if (!sheet)
    throw new UsedWrongly(
      `There is no kind and no provider “${of}”. Kinds: ${kinds.join(', ')}. Providers: ${builtInSheets()
        .map(({ id }) => id)
        .join(', ')}.`,
    );
  return settings.filter(({ name }) => name in sheet.settings || frameSettings.has(name) || name === 'tracking' || (name === 'privacy' && sheet.quiet !== undefined));
}
