import { Option } from 'commander';
import { listForms, plural, spoken, thirdPartyList, type ListForm, type ThirdParty } from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { fold } from '../text.ts';

export const addThirdParties: AddCommand = (program, run) => {
  program
    .command('third-parties')
    .argument('[site]', 'the key of a site; without one, of all')
    .addOption(new Option('--as <form>', 'a table for a privacy statement, in this form').choices(listForms))
    .description('whom the browsers of visitors contact for what is placed, and what for')
    .addHelpText(
      'after',
      `
Examples:
  orbis third-parties hollinfell
  orbis third-parties hollinfell --as html > third-parties.html
  orbis third-parties --as csv

It goes by the codes as they are kept: “orbis contacts --learn” finds out whom one contacts beyond that.`,
    )
    .action((site: string | undefined, { as }: { as?: ListForm }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('thirdParties.read', { query: { site } });
        tools.tell(data, () =>
          as === undefined ? describe(data.parties, tools) : thirdPartyList(data.parties, as),
        );
        return 0;
      }),
    );
};

function describe(parties: readonly ThirdParty[], { colours, io }: Tools): string {
  if (parties.length === 0) return 'Nobody is contacted for what is placed.\n';
  return parties
    .map(({ name, purposes, hosts, loads, places, sites }) => {
      const lines = [
        `${spoken.thirdParties.purposes(purposes)}, ${spoken.thirdParties.loads[loads]}`,
        hosts.join(', '),
        `in ${plural(places, 'place')} on ${sites.join(', ')}`,
      ];
      return `${colours.bold(name)}\n${lines.map((line) => fold(line, io.width, '  ')).join('')}`;
    })
    .join('\n');
}
