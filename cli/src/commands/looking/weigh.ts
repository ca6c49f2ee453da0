import { formatWeight, type Weighing } from '@orbis/contract';
import type { AddCommand } from '../../command.ts';
import { fold } from '../../text.ts';
import { embedArgument, subjectOf } from './subject.ts';

export const addWeigh: AddCommand = (program, run) => {
  program
    .command('weigh')
    .argument(...embedArgument)
    .description('count what a visitor’s browser does for an embed; needs Chromium where Orbis runs')
    .addHelpText('after', '\nExample:\n  orbis weigh opening-talk')
    .action((embed: string) =>
      run(async (tools) => {
        const client = tools.client();
        const { data } = await client.call('weighings.create', { body: await subjectOf(embed, client) });
        tools.tell(data, () => described(data, tools.io.width));
        return 0;
      }),
    );
};

function described({ embed, bare }: Weighing, width: number): string {
  const hosts = [...new Set([...embed.clicked.hosts, ...bare.clicked.hosts])];
  return [
    ['When the page is there', embed.loaded],
    ['After a click on it', embed.clicked],
    ['The code as it was pasted', bare.loaded],
    ['The same, after a click', bare.clicked],
  ]
    .map(([label, weight]) =>
      fold(`${label as string}: ${formatWeight(weight as typeof embed.loaded)}.`, width, ''),
    )
    .concat(hosts.length > 0 ? [fold(`Hosts: ${hosts.join(', ')}.`, width, '')] : [])
    .join('');
}
