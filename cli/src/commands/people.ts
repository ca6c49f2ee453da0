import type { Command } from 'commander';
import { plural, spoken } from '@orbis/contract';
import type { AddCommand, Run } from '../command.ts';
import { formatTimestamp } from '../text.ts';
import { daysOfLink, personCalled, tellPeople } from '../things/person.ts';

export const addPeople: AddCommand = (program, run) => {
  const people = program
    .command('people')
    .description('who works with Orbis, and what each of them may do')
    .addHelpText(
      'after',
      `
Examples:
  orbis people list
  orbis people link "Tam Orrin"
  orbis people take-factors "Tam Orrin"

They are invited, changed and removed as everything else is: orbis add person, orbis change person, orbis
remove person.`,
    );
  people
    .command('list')
    .description('everybody, the newest first')
    .action(() => run(tellPeople));
  people
    .command('link')
    .argument('<name>', 'what they are called')
    .option('--days <n>', 'how long it holds (7)')
    .description(
      'a new link by which somebody sets a password: theirs is lost, or they were removed and come back',
    )
    .addHelpText('after', '\nExample:\n  orbis people link "Tam Orrin" --days 1')
    .action((name: string, { days }: { days?: string }) =>
      run(async (tools) => {
        const client = tools.client();
        const { id, name: called } = await personCalled(client, name);
        const { data } = await client.call('people.invite', {
          params: { person: id },
          body: daysOfLink(days),
        });
        tools.note(
          `For ${called}. ${spoken.people.mailed[data.mailed]} It holds once, until ${formatTimestamp(data.expiresAt)}:\n`,
        );
        tools.tell(data, () => `${data.link}\n`);
        return 0;
      }),
    );
  addTakeFactors(people, run);
};

function addTakeFactors(people: Command, run: Run): void {
  people
    .command('take-factors')
    .argument('<name>', 'what they are called')
    .description(
      'take away the passkeys and codes of somebody who lost them; they sign in with their password alone',
    )
    .addHelpText('after', '\nExample:\n  orbis people take-factors "Tam Orrin"')
    .action((name: string) =>
      run(async (tools) => {
        const client = tools.client();
        const { id, name: called } = await personCalled(client, name);
        const { data } = await client.call('people.takeFactors', { params: { person: id } });
        tools.confirm(
          data,
          () =>
            `${called} signs in with a password alone now. Taken away: ${spoken.security.taken(data)}; signed out of ${plural(data.sessions, 'browser')}.\n`,
        );
        return 0;
      }),
    );
}
