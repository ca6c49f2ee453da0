import { parseSwitch } from '@orbis/core';
import type { AnswerOf, Routes } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { table, type Colours } from '../text.ts';
import type { Thing } from './thing.ts';

/** Rules for all embeds; what is asked of an embed itself wins over them. */
export const rules: Thing = {
  show: (verb, run) => {
    verb
      .command('rules')
      .description('your rules for all embeds; what is asked of an embed itself wins over them')
      .action(() =>
        run(async (tools) => {
          const { data } = await tools.client().call('rules.read', {});
          tools.tell(data, () => describeRules(data, tools.colours));
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('rules')
      .argument('<rules...>', 'rules, as name=value')
      .description('your rules for all embeds')
      .addHelpText('after', '\nExample:\n  orbis change rules drop-tracking=on')
      .action((words: string[]) =>
        run(async (tools) => {
          const body = rulesIn(words);
          const client = tools.client();
          const { etag } = await client.call('rules.read', {});
          const { data } = await client.call('rules.change', { body, ifMatch: etag ?? '' });
          tools.confirm(data, () => describeRules(data, tools.colours));
          return 0;
        }),
      );
  },
};

function rulesIn(words: readonly string[]): { dropTracking?: boolean } {
  const body: { dropTracking?: boolean } = {};
  for (const word of words) {
    const [name, value = ''] = word.split('=', 2);
    const said = parseSwitch(value);
    if (name !== 'drop-tracking' || !said.ok)
      throw new UsedWrongly(`“${word}” is not a rule. There is: drop-tracking=on or drop-tracking=off.`);
    body.dropTracking = said.value;
  }
  return body;
}

const describeRules = ({ dropTracking }: AnswerOf<Routes['rules.read']>, colours: Colours): string =>
  table(
    ['rule', 'now', 'meaning'],
    [
      [
        'drop-tracking',
        dropTracking ? 'on' : 'off',
        'Parameters that only follow people are taken out of every embed that does not ask for tracking=on.',
      ],
    ],
    colours,
  );
