import { plural } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { formatTimestamp } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** The browsers in which somebody is signed in. */
export const session: Thing = {
  list: (verb, run) => {
    verb
      .command('sessions')
      .description('the browsers in which you are signed in, the newest first')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('sessions.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              'session': ({ id }) => id,
              'signed in': ({ createdAt }) => formatTimestamp(createdAt),
              'last used': ({ usedAt }) => formatTimestamp(usedAt),
              'from': ({ address }) => address,
              'browser': ({ browser }) => browser,
            },
            'Nobody is signed in with a browser.',
          );
          return 0;
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('session')
      .argument('[session]', 'its id, as “orbis list sessions” shows it')
      .option('--all', 'all of them: sign out everywhere')
      .description('sign out in one browser, or everywhere; tokens stay')
      .addHelpText('after', '\nExamples:\n  orbis remove session 7k2m9qd0xw\n  orbis remove session --all')
      .action((session: string | undefined, options: { all?: boolean }) =>
        run(async (tools) => {
          if ((session === undefined) === !options.all) throw new UsedWrongly('Say which session, or --all.');
          if (session !== undefined) {
            await tools.client().call('sessions.delete', { params: { session } });
            tools.confirm({ sessions: 1 }, () => 'Signed out there.\n');
          } else {
            const { data } = await tools.client().call('sessions.end', {});
            tools.confirm(data, () => `Signed out everywhere: ${plural(data.sessions, 'session')} ended.\n`);
          }
          return 0;
        }),
      );
  },
};
