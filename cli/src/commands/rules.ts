import { UsedWrongly, type AddCommand } from '../command.ts';
import { table } from '../text.ts';
import { parseSwitch } from '@orbis/core';

export const addRules: AddCommand = (program, run) => {
  program
    .command('rules')
    .argument('[rules...]', 'rules to change, as name=value')
    .description('show or change your rules for all embeds; what is asked of an embed itself wins over them')
    .addHelpText('after', '\nExamples:\n  orbis rules\n  orbis rules drop-tracking=on')
    .action((words: string[]) =>
      run(async (tools) => {
        const client = tools.client();
        const now = await client.call('rules.read', {});
        const body: { dropTracking?: boolean } = {};
        for (const word of words) {
          const [name, value = ''] = word.split('=', 2);
          const said = parseSwitch(value);
          if (name !== 'drop-tracking' || !said.ok)
            throw new UsedWrongly(`“${word}” is no rule. There is: drop-tracking=on or drop-tracking=off.`);
          body.dropTracking = said.value;
        }
        const { data } =
          words.length === 0 ? now : await client.call('rules.change', { body, ifMatch: now.etag ?? '' });
        tools.tell(data, () =>
          table(
            ['rule', 'now', 'meaning'],
            [
              [
                'drop-tracking',
                data.dropTracking ? 'on' : 'off',
                'Parameters that only follow people are taken out of every embed that does not ask for tracking=on.',
              ],
            ],
            tools.colours,
          ),
        );
        return 0;
      }),
    );
};
