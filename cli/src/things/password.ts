import { plural } from '@orbis/contract';
import type { Thing } from './thing.ts';

/** The password of whoever is signed in. */
export const password: Thing = {
  change: (verb, run) => {
    verb
      .command('password')
      .option('--end-tokens', 'end the tokens as well, this one too')
      .option('--password-stdin', 'read the password of now and the new one from standard input, a line each')
      .description('your password; every browser that is signed in is signed out')
      .addHelpText(
        'after',
        `
Example:
  orbis change password

A lost password: npm run reset-password, on the server’s own machine.`,
      )
      .action((options: { endTokens?: boolean; passwordStdin?: boolean }) =>
        run(async (tools) => {
          const lines = options.passwordStdin ? (await tools.io.stdin()).split(/\r?\n/) : [];
          const current = lines[0] ?? (await tools.io.askSecret('Password: '));
          const password = lines[1] ?? (await tools.io.askSecret('New password (12 characters or more): '));
          const { data } = await tools
            .client()
            .call('password.change', { body: { current, password, endTokens: options.endTokens ?? false } });
          tools.confirm(
            data,
            () =>
              `The password is changed. ${plural(data.sessions, 'session')} and ${plural(data.tokens, 'token')} ended.\n`,
          );
          return 0;
        }),
      );
  },
};
