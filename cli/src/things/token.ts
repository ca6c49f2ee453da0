import { UsedWrongly } from '../command.ts';
import { askPassword } from '../password.ts';
import { formatTimestamp } from '../text.ts';
import { wholeNumber } from '../terminal.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** How many days something is to hold. @throws UsedWrongly */
export function daysIn(word: string | undefined): number | undefined {
  if (word === undefined) return undefined;
  const days = wholeNumber(word, 1, 3650);
  if (days === null)
    throw new UsedWrongly(`“${word}” is not a number of days. Say a whole number from 1 to 3650.`);
  return days;
}

interface Options {
  readOnly?: boolean;
  days?: string;
  passwordStdin?: boolean;
}

/** The tokens by which programs sign in. */
export const token: Thing = {
  list: (verb, run) => {
    verb
      .command('tokens')
      .description('the tokens by which programs sign in, the newest first')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('tokens.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              'token': ({ id }) => id,
              'name': ({ name }) => name,
              'may do': ({ access }) => (access === 'read' ? 'only reads' : 'everything'),
              'ends': ({ expiresAt }) => formatTimestamp(expiresAt),
              'last used': ({ lastUsedAt, lastUsedFrom }) =>
                lastUsedAt === null ? 'never' : `${formatTimestamp(lastUsedAt)} from ${lastUsedFrom ?? '?'}`,
            },
            'There is no token.',
          );
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('token')
      .argument('<name>', 'what it is for, such as “nightly backup”')
      .option('--read-only', 'it may only read, and change nothing')
      .option('--days <n>', 'after so many days it ends (365)')
      .option('--password-stdin', 'read the password from standard input')
      .description('a token for a program; it is printed, this once only')
      .addHelpText(
        'after',
        `
Example:
  orbis add token "status board" --read-only --days 90

A program uses it as ORBIS_TOKEN, with ORBIS_URL.`,
      )
      .action((name: string, options: Options) =>
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
          if (tools.io.errIsTerminal)
            tools.note(
              tools.colours.dim(
                `It is shown this once. It ${data.access === 'read' ? 'may only read' : 'may do everything'}, and ends ${formatTimestamp(data.expiresAt)}.\n`,
              ),
            );
          tools.tell(data, () => `${data.token}\n`);
          return 0;
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('token')
      .argument('<token>', 'its id, as “orbis list tokens” shows it')
      .description('a token: the program that uses it is signed out')
      .action((token: string) =>
        run(async (tools) => {
          await tools.client().call('tokens.delete', { params: { token } });
          tools.confirm({ removed: token }, () => 'The token is revoked.\n');
          return 0;
        }),
      );
  },
};
