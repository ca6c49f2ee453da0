import { listServiceSettings } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { fold } from '../text.ts';

export const addSettings: AddCommand = (program, run) => {
  program
    .command('settings')
    .description('list the settings of the service itself: environment variables')
    .addHelpText('after', '\n“orbis options” lists what can be asked of an embed.')
    .action(() =>
      run(async (tools) => {
        const items = listServiceSettings();
        tools.tell(items, () =>
          items
            .map(
              (s) =>
                `${tools.colours.bold(s.name)}${s.default ? tools.colours.dim(`  (${s.default})`) : ''}\n${fold(s.meaning, tools.io.width, '  ')}`,
            )
            .join(''),
        );
        return 0;
      }),
    );
};
