import { formatWeighing, type Weighing } from '@orbis/contract';
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

function described(weighing: Weighing, width: number): string {
  const hosts = [...new Set([...weighing.embed.clicked.hosts, ...weighing.bare.clicked.hosts])];
  return [
    ...formatWeighing(weighing).map(([about, weight]) => `${about}: ${weight}.`),
    ...(hosts.length > 0 ? [`Hosts: ${hosts.join(', ')}.`] : []),
  ]
    .map((line) => fold(line, width, ''))
    .join('');
}
