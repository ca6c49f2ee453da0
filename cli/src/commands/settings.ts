import { dressOptions, settings } from '@orbis/core';
import { listServiceSettings } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { fold, table } from '../text.ts';

export const addSettings: AddCommand = (program, run) => {
  program
    .command('settings')
    .option('--service', 'the settings of the service itself: environment variables')
    .description('list every wish with its meaning and an example')
    .action((options: { service?: boolean }) =>
      run(async (tools) => {
        if (options.service) {
          const items = listServiceSettings();
          tools.tell(items, () =>
            items.map((s) => `${tools.colours.bold(s.name)}${s.default ? tools.colours.dim(`  (${s.default})`) : ''}\n${fold(s.meaning, tools.io.width, '  ')}`).join(''),
          );
          return 0;
        }
        const items = [
          ...settings.map((s) => ({ name: s.name, group: 'settings', meaning: s.explain, example: `${s.name}=${s.example}` })),
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
