import { mostAtOnce, plural, type MadeOfMany } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { addNarrowing, keptAs, type Narrowing } from './placements-of.ts';

interface Asked extends Narrowing {
  search?: string;
  pause?: true;
  resume?: true;
  end?: true;
}

/** Pauses every placement that a search finds, lets them go on, or ends them: all of them, or none. */
export const addChangeMany: AddCommand = (verb, run) => {
  addNarrowing(verb.command('placements'))
    .option('--pause', 'nothing of them is to stand there for a while')
    .option('--resume', 'they are to stand there again')
    .option('--end', 'they are no longer meant to stand there')
    .description('pause all that a search finds, let them go on, or end them')
    .addHelpText(
      'after',
      `\nExamples:\n  orbis change placements --host play.kinorill.localhost --pause\n  orbis change placements --where 'site=hollinfell state=paused' --resume\n\nIt is done to all of them or to none, to at most ${mostAtOnce}; “orbis undo” takes it back.`,
    )
    .action((asked: Asked) => run((tools) => changeMany(asked, tools)));
};

async function changeMany({ search, pause, resume, end, ...asked }: Asked, tools: Tools): Promise<Exit> {
  const wanted = (
    [
      ['paused', pause],
      ['resumed', resume],
      ['ended', end],
    ] as const
  ).filter(([, is]) => is);
  const [make] = wanted.map(([each]) => each);
  if (make === undefined || wanted.length > 1)
    throw new UsedWrongly('Say what is to become of them: --pause, --resume or --end, one of these.');
  if (search === undefined && Object.keys(asked).length === 0)
    throw new UsedWrongly(
      'Say which of them: --where, --search, --site, --page, --embed, --host or --state.',
    );
  const narrowing = { ...asked, ...(await keptAs(search, asked, tools)) };
  const query = { limit: mostAtOnce, ...narrowing };
  const { items: found, next } = (await tools.client().call('placements.list', { query })).data;
  if (next !== null)
    throw new UsedWrongly(`That finds more than ${mostAtOnce}, which is the most at once: narrow it.`);
  const { data } =
    found.length === 0
      ? { data: { placements: [] } }
      : await tools.client().call('placements.changeMany', {
          body: { placements: found.map(({ id }) => id), make },
        });
  tools.confirm(data, () => said(make, data.placements.length, found.length));
  return 0;
}

function said(make: MadeOfMany, changed: number, found: number): string {
  if (found === 0) return 'There is no such placement.\n';
  if (changed === 0) return 'They were so already.\n';
  const places = plural(changed, 'place');
  if (make === 'resumed') return `Going on in ${places}.\n`;
  const next = '“orbis plan PAGE” says what to take out there.';
  return `${make === 'paused' ? 'Paused' : 'Ended'} in ${places}. ${next}\n`;
}
