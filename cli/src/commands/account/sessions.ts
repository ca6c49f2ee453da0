import { everyItem, type OpenSession, plural } from '@orbis/contract';
import type { AddCommand } from '../../command.ts';
import { formatTimestamp, table } from '../../text.ts';

export const addSessions: AddCommand = (program, run) => {
  const sessions = program.command('sessions').description('the browsers in which you are signed in');
  sessions
    .command('list', { isDefault: true })
    .description('list them, the newest first')
    .action(() =>
      run(async (tools) => {
        const all: OpenSession[] = [];
        for await (const session of everyItem((after) =>
          tools
            .client()
            .call('sessions.list', { query: { limit: 200, after } })
            .then(({ data }) => data),
        ))
          all.push(session);
        tools.tell(all, () =>
          all.length === 0
            ? 'Nobody is signed in with a browser.\n'
            : table(
                ['session', 'signed in', 'last used', 'from', 'browser'],
                all.map(({ id, createdAt, usedAt, address, browser }) => [
                  id,
                  formatTimestamp(createdAt),
                  formatTimestamp(usedAt),
                  address,
                  browser,
                ]),
                tools.colours,
              ),
        );
        return 0;
      }),
    );
  sessions
    .command('end')
    .argument('[session]', 'which one, as “orbis sessions” lists it')
    .option('--all', 'all of them: sign out everywhere')
    .description('sign out in one browser, or everywhere; tokens stay')
    .addHelpText('after', '\nExamples:\n  orbis sessions end 7k2m9qd0xw\n  orbis sessions end --all')
    .action(
      (session: string | undefined, options: { all?: boolean }, command: { error(message: string): never }) =>
        run(async (tools) => {
          if ((session === undefined) === !options.all) command.error('Say which session, or --all.');
          if (session !== undefined) {
            await tools.client().call('sessions.delete', { params: { session } });
            tools.tell({ sessions: 1 }, () => 'Signed out there.\n');
          } else {
            const { data } = await tools.client().call('sessions.end', {});
            tools.tell(data, () => `Signed out everywhere: ${plural(data.sessions, 'session')} ended.\n`);
          }
          return 0;
        }),
    );
};
