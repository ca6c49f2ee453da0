import { everyItem, type Token } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../../command.ts';
import { wholeNumber } from '../../terminal.ts';
import { formatTimestamp, table } from '../../text.ts';
import { askPassword } from './password.ts';

/** @throws UsedWrongly */
export function daysIn(word: string | undefined): number | undefined {
  if (word === undefined) return undefined;
  const days = wholeNumber(word, 1, 3650);
  if (days === null)
    throw new UsedWrongly(`“${word}” is no number of days. Say a whole number from 1 to 3650.`);
  return days;
}

const row = ({ id, name, access, expiresAt, lastUsedAt, lastUsedFrom }: Token): string[] => [
  id,
  name,
  access === 'read' ? 'only reads' : 'everything',
  formatTimestamp(expiresAt),
  lastUsedAt === null ? 'never' : `${formatTimestamp(lastUsedAt)} from ${lastUsedFrom ?? '?'}`,
];

async function listed(tools: Tools): Promise<Token[]> {
  const all: Token[] = [];
  for await (const token of everyItem((after) =>
    tools
      .client()
      .call('tokens.list', { query: { limit: 200, after } })
      .then(({ data }) => data),
  ))
    all.push(token);
  return all;
}

export const addTokens: AddCommand = (program, run) => {
  const tokens = program.command('tokens').description('the tokens by which programs sign in');
  addList(tokens, run);
  addMake(tokens, run);
  addRevoke(tokens, run);
};

const addList: AddCommand = (program, run) => {
  program
    .command('list', { isDefault: true })
    .description('list them, the newest first')
    .action(() =>
      run(async (tools) => {
        const all = await listed(tools);
        tools.tell(all, () =>
          all.length === 0
            ? 'There is no token.\n'
            : table(['token', 'name', 'may do', 'ends', 'last used'], all.map(row), tools.colours),
        );
        return 0;
      }),
    );
};

const addMake: AddCommand = (program, run) => {
  program
    .command('make')
    .argument('<name>', 'what it is for, such as “nightly backup”')
    .option('--read-only', 'it may only read, and change nothing')
    .option('--days <n>', 'after so many days it ends (365)')
    .option('--password-stdin', 'read the password from standard input')
    .description('make a token and print it, this once only')
    .addHelpText(
      'after',
      '\nExample:\n  orbis tokens make "status board" --read-only --days 90\n\nA program uses it as ORBIS_TOKEN, with ORBIS_URL.',
    )
    .action((name: string, options: { readOnly?: boolean; days?: string; passwordStdin?: boolean }) =>
      run(async (tools) => {
        const days = daysIn(options.days);
        const password = await askPassword(tools, options.passwordStdin);
        const { data } = await tools.client().call('tokens.create', {
          body: {
            password,
            name,
            access: options.readOnly ? 'read' : 'all',
            ...(days !== undefined && { days }),
          },
        });
        if (tools.io.errIsTerminal && !tools.json)
          tools.io.err(
            tools.colours.dim(
              `It is shown this once. It ${data.access === 'read' ? 'may only read' : 'may do everything'}, and ends ${formatTimestamp(data.expiresAt)}.\n`,
            ),
          );
        tools.tell(data, () => `${data.token}\n`);
        return 0;
      }),
    );
};

const addRevoke: AddCommand = (program, run) => {
  program
    .command('revoke')
    .argument('<token>', 'which one, as “orbis tokens” lists it')
    .description('end a token')
    .action((token: string) =>
      run(async (tools) => {
        await tools.client().call('tokens.delete', { params: { token } });
        tools.tell({ id: token }, () => 'The token is revoked.\n');
        return 0;
      }),
    );
};
