import { hostname } from 'node:os';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { clientFor, forgetSignIn, readSignIn, signInFile, writeSignIn } from '../connection.ts';

export const addLogin: AddCommand = (program, run) => {
  program
    .command('login')
    .argument('<url>', 'where Orbis is, such as http://orbis.localhost:7420')
    .option('--password-stdin', 'read the password from standard input')
    .description('sign this machine’s user in with the password')
    .action((url: string, options: { passwordStdin?: boolean }) =>
      run(async (tools) => {
        if (!URL.canParse(url) || !/^https?:/.test(url)) throw new UsedWrongly(`“${url}” is not an address. Give one such as http://orbis.localhost:7420.`);
        const base = new URL(url).origin;
        const password = options.passwordStdin ? (await tools.io.stdin()).replace(/\r?\n$/, '') : await tools.io.askSecret('Password: ');
        const { data } = await clientFor(base, null, tools.io).call('tokens.exchange', { body: { password, name: `command line on ${hostname()}`.slice(0, 80) } });
        const file = signInFile(tools.io);
        writeSignIn(file, { url: base, token: data.token, id: data.id });
        tools.tell({ url: base, token: data.id }, () => `Signed in to ${base}. The token is kept in ${file}.\n`);
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
          tools.tell({ signedIn: false }, () => 'Nobody is signed in here.\n');
          return 0;
        }
        if (found.id)
          await clientFor(found.url, found.token, tools.io)
            .call('tokens.delete', { params: { token: found.id } })
            .catch(() => undefined);
        forgetSignIn(file);
        tools.tell({ signedIn: false }, () => `Signed out of ${found.url}.\n`);
        return 0;
      }),
    );
};
