import { plural, spoken, type AskedHost } from '@orbis/contract';
import { formatTimestamp } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** The hosts that placed embeds load something from. */
export const host: Thing = {
  list: (verb, run) => {
    verb
      .command('hosts')
      .description('the hosts that placed embeds load something from, and how they answer')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis list hosts\n  orbis list resources --host play.kinorill.localhost:7430\n\n“orbis ask” asks them now.',
      )
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('hosts.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              'host': ({ host: name }) => name,
              'loads': ({ resources }) => plural(resources, 'address', 'addresses'),
              'wrong': ({ faulty }) => (faulty === 0 ? '–' : String(faulty)),
              'answers in': ({ took }) => (took === null ? '–' : spoken.loaded.took(took)),
              'answered': answeredOf,
              'asked last': ({ askedAt }) => formatTimestamp(askedAt),
            },
            'Nothing that is placed loads anything from elsewhere, or nothing was asked for yet. “orbis ask” does.',
          );
          return items.some(({ faulty }) => faulty > 0) ? 1 : 0;
        }),
      );
  },
};

/* How often something came of the last days, in per cent. */
function answeredOf({ days }: AskedHost): string {
  const asked = days.reduce((sum, day) => sum + day.asked, 0);
  const answered = days.reduce((sum, day) => sum + day.answered, 0);
  return asked === 0 ? '–' : `${Math.floor((100 * answered) / asked)} %`;
}
