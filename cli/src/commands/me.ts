import { mayAnywhere, rights, spoken, type Session } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { keepRights, serviceAddress } from '../connection.ts';
import { facts, type Colours } from '../text.ts';

export const addMe: AddCommand = (program, run) => {
  program
    .command('me')
    .description('who is signed in here, what they may do, and whom to ask for the rest')
    .action(() =>
      run(async (tools) => {
        const { data } = await tools.client().call('session.read', {});
        keepRights(tools.io, data.person);
        tools.tell(data, () => describeMe(data, serviceAddress(tools.io), tools.colours));
        return 0;
      }),
    );
};

function describeMe({ person, owners }: Session, url: string | null, colours: Colours): string {
  if (person === null) return 'Nobody is signed in here.\n';
  const may = rights.filter((right) => mayAnywhere(person, right));
  const rest = rights.filter((right) => !mayAnywhere(person, right));
  return facts(
    [
      ['Name', person.name],
      ['Orbis', url ?? 'not known'],
      [
        'You are',
        `${spoken.people.grants(person)}${person.readOnly ? '; with this token you only read' : ''}`,
      ],
      ['You may', may.map((right) => spoken.people.rights[right]).join('\n')],
      ...(rest.length === 0
        ? []
        : [
            ['You may not', rest.map((right) => spoken.people.rights[right]).join('\n')] as [string, string],
            ['Whom to ask', spoken.people.either(owners)] as [string, string],
          ]),
    ],
    colours,
  );
}
