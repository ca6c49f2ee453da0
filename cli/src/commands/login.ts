import { hostname } from 'node:os';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { askPassword } from '../password.ts';
import { daysIn } from '../things/token.ts';
import { formatTimestamp } from '../text.ts';
import { clientFor, forgetSignIn, readSignIn, signInFile, writeSignIn } from '../connection.ts';

export const addLogin: AddCommand = (program, run) => {
  program
    .command('login')
    .argument('<url>', 'where Orbis is, such as http://orbis.localhost:7420')
    .option('--read-only', 'this machine may only read, and change nothing')
    .option('--days <n>', 'after so many days it has to sign in again (365)')
    .option('--password-stdin', 'read the password from standard input')
    .description('sign this machine’s user in with the password')
    .action((url: string, options: { passwordStdin?: boolean; readOnly?: boolean; days?: string }) =>
      run(async (tools) => {
        if (!URL.canParse(url) || !/^https?:/.test(url))
          throw new UsedWrongly(`“${url}” is not an address. Give one such as http://orbis.localhost:7420.`);
        const base = new URL(url).origin;
        const days = daysIn(options.days);
        const password = await askPassword(tools, options.passwordStdin);
        const name = `command line on ${hostname()}`.slice(0, 80);
        const { data } = await clientFor(base, null, tools.io).call('tokens.exchange', {
          body: {
            password,
            name,
            access: options.readOnly ? 'read' : 'all',
            ...(days !== undefined && { days }),
          },
        });
        const file = signInFile(tools.io);
        writeSignIn(file, { url: base, token: data.token, id: data.id });
        tools.confirm(
          { url: base, token: data.id, access: data.access, expiresAt: data.expiresAt },
          () =>
            `Signed in to ${base}${data.access === 'read' ? ', only to read' : ''}, until ${formatTimestamp(data.expiresAt)}. The token is kept in ${file}.\n`,
        );
        return 0;
      }),
    );
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
