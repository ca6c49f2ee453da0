import { hostname } from 'node:os';
import { ApiError, type Client } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { askPassword } from '../password.ts';
import { daysIn } from '../things/token.ts';
import { formatTimestamp } from '../text.ts';
import { clientFor, forgetSignIn, keepRights, readSignIn, signInFile, writeSignIn } from '../connection.ts';

interface Options {
  name?: string;
  code?: string;
  passwordStdin?: boolean;
  readOnly?: boolean;
  days?: string;
}

/* As whom, where that has to be said and somebody can be asked. */
async function askName(client: Client, { io }: Tools): Promise<string | undefined> {
  const { data } = await client.call('session.read', {});
  return data.needsName && io.ask ? (await io.ask('Name: ')).trim() : undefined;
}

async function signIn(tools: Tools, url: string, options: Options): Promise<Exit> {
  if (!URL.canParse(url) || !/^https?:/.test(url))
    throw new UsedWrongly(`“${url}” is not an address. Give one such as http://orbis.localhost:7420.`);
  const base = new URL(url).origin;
  const days = daysIn(options.days);
  const stranger = clientFor(base, null, tools.io);
  const person = options.name ?? (await askName(stranger, tools));
  const password = await askPassword(tools, options.passwordStdin);
  const name = `command line on ${hostname()}`.slice(0, 80);
  const exchange = async (code: string | undefined) =>
    stranger.call('tokens.exchange', {
      body: {
        ...(person !== undefined && { person }),
        ...{ password, name },
        ...(code !== undefined && { code }),
        access: options.readOnly ? 'read' : 'all',
        ...(days !== undefined && { days }),
      },
    });
  const { data } = await exchange(options.code).catch(async (error: unknown) => {
    const isAsked = error instanceof ApiError && error.code === 'second-factor-needed';
    if (!isAsked || !tools.io.ask) throw error;
    return exchange(await tools.io.ask('Code of your app, or a recovery code: '));
  });
  const file = signInFile(tools.io);
  writeSignIn(file, { url: base, token: data.token, id: data.id });
  const { data: session } = await clientFor(base, data.token, tools.io).call('session.read', {});
  keepRights(tools.io, session.person);
  tools.confirm(
    { url: base, token: data.id, access: data.access, expiresAt: data.expiresAt },
    () =>
      `Signed in to ${base} as ${session.person?.name ?? 'nobody'}${data.access === 'read' ? ', only to read' : ''}, until ${formatTimestamp(data.expiresAt)}. The token is kept in ${file}.\n`,
  );
  return 0;
}

export const addLogin: AddCommand = (program, run) => {
  program
    .command('login')
    .argument('<url>', 'where Orbis is, such as http://orbis.localhost:7420')
    .option('--name <name>', 'as whom; where several people use Orbis and none is said, it is asked for')
    .option('--code <code>', 'a code of your app or a recovery code, where one is asked for')
    .option('--read-only', 'this machine may only read, and change nothing')
    .option('--days <n>', 'after so many days it has to sign in again (365)')
    .option('--password-stdin', 'read the password from standard input')
    .description('sign this machine’s user in with the password')
    .action((url: string, options: Options) => run((tools) => signIn(tools, url, options)));
  program
    .command('logout')
    .description('sign out: revoke the stored token and forget it')
    .action(() =>
      run(async (tools) => {
        const file = signInFile(tools.io);
        const found = readSignIn(file);
        if (!found) {
          tools.confirm({ signedIn: false }, () => 'Nobody is signed in here.\n');
          return 0;
        }
        if (found.id)
          await clientFor(found.url, found.token, tools.io)
            .call('tokens.delete', { params: { token: found.id } })
            .catch(() => undefined);
        forgetSignIn(file);
        tools.confirm({ signedIn: false }, () => `Signed out of ${found.url}.\n`);
        return 0;
      }),
    );
};
