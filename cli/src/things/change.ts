import type { Change } from '@orbis/contract';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** What was done; “orbis undo” takes it back. */
export const change: Thing = {
  list: (verb, run) => {
    verb
      .command('changes')
      .description('what was done, the newest first')
      .action(() =>
        run(async (tools) => {
          const items = await every((after) =>
            tools.client().call('changes.list', { query: { limit, after } }),
          );
          tellList(
            tools,
            items,
            {
              'change': ({ id }) => id,
              'what was done': ({ said }) => said,
              'by': ({ by }) => by ?? '–',
              'when': ({ createdAt }) => formatTimestamp(createdAt),
              'taken back': takenBack,
            },
            'Nothing was done yet. “orbis collect FILE --name NAME” puts the first code into the collection.',
          );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('change')
      .argument('<change>', 'its id, as “orbis list changes” shows it')
      .description('one thing that was done')
      .action((change: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('changes.read', { params: { change } });
          tools.tell(data, () => describeChange(data, tools.colours));
          return 0;
        }),
      );
  },
};

const takenBack = ({ undoneAt, undoneBy, by, lasting }: Change): string =>
  undoneAt
    ? `${formatTimestamp(undoneAt)}${undoneBy === null || undoneBy === by ? '' : ` by ${undoneBy}`}`
    : lasting
      ? 'cannot be'
      : '–';

const describeChange = (change: Change, colours: Colours): string =>
  facts(
    [
      ['Change', change.id],
      ['What was done', change.said],
      ['By', change.by ?? 'nobody who is known'],
      ['When', formatTimestamp(change.createdAt)],
      ['Taken back', takenBack(change)],
    ],
    colours,
  );
