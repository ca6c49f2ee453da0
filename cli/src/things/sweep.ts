import { Option } from 'commander';
import { plural, type Client, type SweepPage } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import { describeSweep, needsAttention } from '../describe/sweep.ts';
import type { Exit } from '../io.ts';
import { formatTimestamp } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** The pages of a sweep, with what was seen on each. */
export const pagesOfSweep = (sweep: string, client: Client): Promise<SweepPage[]> =>
  every((after) => client.call('sweeps.pages', { params: { sweep }, query: { limit, after } }));

/** What was read of the published pages; “orbis sweep” reads them. */
export const sweep: Thing = {
  list: (verb, run) => {
    verb
      .command('sweeps')
      .description('when the published pages were read, the newest first')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('sweeps.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              'sweep': ({ id }) => id,
              'of': ({ scope, at }) => `${scope ?? 'everything'}${at === null ? '' : ` at ${at}`}`,
              'state': ({ state }) => state,
              'pages read': ({ read, pages }) => `${read} of ${pages}`,
              'begun': ({ createdAt }) => formatTimestamp(createdAt),
            },
            'Nothing has been swept yet. “orbis sweep” reads the published pages.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('sweep')
      .argument('<sweep>', 'its id, as “orbis list sweeps” shows it')
      .description('what a sweep saw, page by page')
      .addHelpText(
        'after',
        '\nExit status: 0 everything that was placed was live, 1 something needed attention.',
      )
      .action((id: string) =>
        run(async (tools) => {
          const client = tools.client();
          const { data } = await client.call('sweeps.read', { params: { sweep: id } });
          const pages = await pagesOfSweep(id, client);
          tools.tell({ ...data, seen: pages }, () => describeSweep(data, pages, tools));
          return needsAttention(data, pages) ? 1 : 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('sweep')
      .argument('<sweep>', 'its id, as “orbis list sweeps” shows it')
      .addOption(
        new Option('--pause', 'read no more pages for now, and leave its hosts to others').conflicts([
          'resume',
          'stop',
        ]),
      )
      .addOption(new Option('--resume', 'read on').conflicts('stop'))
      .option('--stop', 'end it here')
      .description('a sweep that has not ended: pause it, let it go on, or stop it')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis change sweep k3f9w2mzq7 --pause\n  orbis change sweep k3f9w2mzq7 --resume',
      )
      .action((id: string, asked: Asked) => run((tools) => changeSweep(id, asked, tools)));
  },
};

interface Asked {
  pause?: true;
  resume?: true;
  stop?: true;
}

async function changeSweep(sweep: string, { pause, resume, stop }: Asked, tools: Tools): Promise<Exit> {
  const name = pause ? 'sweeps.pause' : resume ? 'sweeps.resume' : stop ? 'sweeps.stop' : null;
  if (name === null) throw new UsedWrongly('Say what becomes of it: --pause, --resume or --stop.');
  const { data } = await tools.client().call(name, { params: { sweep } });
  const said = pause ? 'Paused' : resume ? 'It goes on' : 'Stopped';
  tools.confirm(data, () => `${said}: ${plural(data.read, 'page')} of ${data.pages} read.\n`);
  return 0;
}
