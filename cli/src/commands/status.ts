import {
  formatState,
  mostToDo,
  mostWaiting,
  plural,
  spoken,
  type Session,
  type Terms,
  type Today,
} from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { serviceAddress } from '../connection.ts';
import { facts } from '../text.ts';

/* What is told of the whole is not told to who has to do with single sites. */
function tellOwnSites(tools: Tools, session: Session): Exit {
  const url = serviceAddress(tools.io);
  tools.tell({ url, person: session.person }, () =>
    facts(
      [
        ['Orbis', url ?? 'not known'],
        ['Signed in as', `${session.person!.name}, ${spoken.people.grants(session.person!)}`],
        ['Needs attention', '“orbis attention --site SITE” says it of one of them'],
      ],
      tools.colours,
    ),
  );
  return 0;
}

/* What was never pasted is no fault of anything. */
const isWanting = ({ state }: Today['states'][number]): boolean => state !== 'planned';

export const addStatus: AddCommand = (program, run) => {
  program
    .command('status')
    .description('say who is signed in, where, and what needs attention')
    .addHelpText('after', '\nExit status: 0 nothing needs attention, 1 something does.')
    .action(() =>
      run(async (tools) => {
        const client = tools.client();
        const { data: session } = await client.call('session.read', {});
        if (session.person?.role === null) return tellOwnSites(tools, session);
        const { data: today } = await client.call('today.read', {});
        const { waiting } = today;
        const url = serviceAddress(tools.io);
        const found = today.states.filter(isWanting);
        tools.tell(
          {
            url,
            person: session.person,
            attention: Object.fromEntries(found.map(({ state, count }) => [state, count])),
            terms: today.terms,
            waiting,
          },
          () =>
            facts(
              [
                ['Orbis', url ?? 'not known'],
                ['Signed in as', session.person?.name ?? 'nobody'],
                [
                  'Needs attention',
                  [...found.map(inWords), ...today.terms.map(termsInWords)].join('\n') || 'nothing',
                ],
                ...(waiting > 0 ? [['Being worked out', waitingInWords(waiting)] as [string, string]] : []),
              ],
              tools.colours,
            ),
        );
        return found.length > 0 || today.terms.length > 0 ? 1 : 0;
      }),
    );
};

const inWords = ({ state, count }: Today['states'][number]): string =>
  `${count < mostToDo ? plural(count, 'placement') : `${mostToDo} placements or more`} ${formatState(state)} (orbis list placements --state ${state})`;

const termsInWords = ({ name, findings }: Terms): string => `${name}: ${findings[0]!.message} (orbis terms)`;

const waitingInWords = (waiting: number): string =>
  waiting < mostWaiting ? plural(waiting, 'placement') : `${mostWaiting} placements or more`;
