import { plural } from '@orbis/contract';
import type { AddCommand, Tools } from '../../command.ts';

/** The password that somebody types or hands over, without line ends. */
export const askPassword = async (
  { io }: Tools,
  fromStdin: boolean | undefined,
  question = 'Password: ',
): Promise<string> => (fromStdin ? (await io.stdin()).replace(/\r?\n$/, '') : io.askSecret(question));

export const addPassword: AddCommand = (program, run) => {
  program
    .command('password')
    .option('--end-tokens', 'end the tokens as well, this one too')
    .option('--password-stdin', 'read the password of now and the new one from standard input, a line each')
    .description('change your password; every browser that is signed in is signed out')
    .addHelpText(
      'after',
      '\nExample:\n  orbis password\n\nA lost password: npm run reset-password, on the server’s own machine.',
    )
    .action((options: { endTokens?: boolean; passwordStdin?: boolean }) =>
      run(async (tools) => {
        const lines = options.passwordStdin ? (await tools.io.stdin()).split(/\r?\n/) : [];
        const current = lines[0] ?? (await tools.io.askSecret('Password: '));
        const password = lines[1] ?? (await tools.io.askSecret('New password (12 characters or more): '));
        const { data } = await tools
          .client()
          .call('password.change', { body: { current, password, endTokens: options.endTokens ?? false } });
        tools.tell(
          data,
          () =>
            `The password is changed. ${plural(data.sessions, 'session')} and ${plural(data.tokens, 'token')} ended.\n`,
        );
        return 0;
      }),
    );
};
