import ora from 'ora';
import { outcomeOf, plural, type AskedOutcome } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';

export const addAsk: AddCommand = (program, run) => {
  program
    .command('ask')
    .argument('[host]', 'only what is loaded from this host, with its port where it has one')
    .option('--embed <embed>', 'only what this embed loads')
    .description('ask now for the frames, scripts, files and links of placed embeds: are they there?')
    .addHelpText(
      'after',
      `
Examples:
  orbis ask
  orbis ask play.kinorill.localhost:7430
  orbis ask --embed opening-talk

Once a day Orbis asks by itself. What is wrong stands in “orbis attention”.
Exit status: 0 all is well, 1 something is wrong.`,
    )
    .action((host: string | undefined, { embed }: { embed?: string }) =>
      run(async (tools) => {
        if (host !== undefined && embed !== undefined)
          throw new UsedWrongly('Name a host or an embed, not both.');
        const data = await ask(
          { ...(host !== undefined && { host }), ...(embed !== undefined && { embed }) },
          tools,
        );
        tools.tell(data, () => describe(data));
        return data.faulty > 0 ? 1 : 0;
      }),
    );
};

/* With a line on a terminal, which says how far it is. */
async function ask(
  body: { host?: string; embed?: string },
  { client, io, quiet }: Tools,
): Promise<AskedOutcome> {
  const line = io.errIsTerminal && !quiet ? ora({ text: 'asking', stream: process.stderr }).start() : null;
  try {
    const response = await client().open('resources.ask', { body, signal: io.signal });
    return await outcomeOf<AskedOutcome, { left: number }>(
      response,
      ({ left }) => {
        if (line) line.text = `${plural(left, 'address', 'addresses')} left`;
      },
      'Orbis broke off before all were asked; it goes on by itself.',
    );
  } finally {
    line?.stop();
  }
}

function describe({ asked, faulty }: AskedOutcome): string {
  if (asked === 0) return 'Nothing that is placed loads anything from elsewhere.\n';
  const well =
    faulty === 0
      ? 'All is well.'
      : `Something is wrong with ${faulty === 1 ? 'one' : faulty} of them: “orbis attention” says what, “orbis list resources --state faulty” where.`;
  return `Asked for ${plural(asked, 'address', 'addresses')}. ${well}\n`;
}
