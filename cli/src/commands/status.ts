import { formatState, mostWaiting, plural, type Client, type PlacementState } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { serviceAddress } from '../connection.ts';
import { facts } from '../text.ts';

/* What stands on a page and is not as it should be. */
const wanting = ['missing', 'altered', 'out-of-date', 'unreachable'] as const satisfies PlacementState[];
/* So many are counted. */
const most = 200;

export const addStatus: AddCommand = (program, run) => {
  program
    .command('status')
    .description('say who is signed in, where, and what needs attention')
    .addHelpText('after', '\nExit status: 0 nothing needs attention, 1 something does.')
    .action(() =>
      run(async (tools) => {
        const client = tools.client();
        const { data: session } = await client.call('session.read', {});
        const states = await Promise.all(
          wanting.map(async (state) => ({ state, ...(await countOf(client, state)) })),
        );
        const waiting = Math.max(...states.map((each) => each.waiting));
        const url = serviceAddress(tools.io);
        const found = states.filter(({ count }) => count > 0);
        tools.tell(
          {
            url,
            person: session.person,
            attention: Object.fromEntries(found.map(({ state, count }) => [state, count])),
            waiting,
          },
          () =>
            facts(
              [
                ['Orbis', url ?? 'not known'],
                ['Signed in as', session.person?.name ?? 'nobody'],
                ['Needs attention', found.map(inWords).join('\n') || 'nothing'],
                ...(waiting > 0 ? [['Being worked out', waitingInWords(waiting)] as [string, string]] : []),
              ],
              tools.colours,
            ),
        );
        return found.length > 0 ? 1 : 0;
      }),
    );
};

async function countOf(client: Client, state: PlacementState): Promise<{ count: number; waiting: number }> {
  const { data } = await client.call('placements.list', { query: { state, limit: most } });
  return { count: data.items.length, waiting: data.waiting };
}

const inWords = ({ state, count }: { state: PlacementState; count: number }): string =>
  `${count < most ? plural(count, 'placement') : `${most} placements or more`} ${formatState(state)} (orbis list placements --state ${state})`;

const waitingInWords = (waiting: number): string =>
  waiting < mostWaiting ? plural(waiting, 'placement') : `${mostWaiting} placements or more`;
