import type { Client, Placement, PlacementState } from '@orbis/contract';
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
