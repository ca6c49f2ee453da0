import { Option, type Command } from 'commander';
import { spoken, type Client, type Placement, type PlacementState } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import { every, limit } from './every.ts';

/** Which placements are meant. */
export interface Narrowing {
  where?: string;
  site?: string;
  page?: string;
  embed?: string;
  host?: string;
  state?: PlacementState;
}

/**
 * Every placement of these; `waiting` is told of how many it is still being worked out
 * whether they are out of date.
 */
export const placementsOf = (
  client: Client,
  narrowing: Narrowing,
  waiting: (count: number) => unknown = () => undefined,
): Promise<Placement[]> =>
  every(async (after) => {
    const page = await client.call('placements.list', { query: { limit, after, ...narrowing } });
    waiting(page.data.waiting);
    return page;
  });

/** The options that say which placements are meant. */
export const addNarrowing = (command: Command): Command =>
  command
    .option('--where <search>', 'those that a search finds: state=… site=… page=… embed=… host=…')
    .option('--search <name>', 'those that a search finds which is kept under this name')
    .option('--site <site>', 'those on one site')
    .option('--page <page>', 'those on one page')
    .option('--embed <embed>', 'those of one embed')
    .option('--host <host>', 'those whose code loads something from a host')
    .addOption(new Option('--state <state>', 'those in one state').choices(Object.keys(spoken.states)));

/** What a search asks for that is kept; nothing where none is named. */
export async function keptAs(
  search: string | undefined,
  { where }: Narrowing,
  tools: Tools,
): Promise<Pick<Narrowing, 'where'>> {
  if (search === undefined) return {};
  if (where !== undefined) throw new UsedWrongly('Give --search or --where: only one of them.');
  return { where: (await tools.client().call('savedSearches.read', { params: { search } })).data.where };
}
