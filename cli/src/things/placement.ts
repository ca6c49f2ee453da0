import { Option } from 'commander';
import {
  formatState,
  mostWaiting,
  optionsLine,
  plural,
  spoken,
  type Client,
  type Placement,
  type PlacementState,
} from '@orbis/contract';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

interface Narrowing {
  where?: string;
  site?: string;
  page?: string;
  embed?: string;
  state?: PlacementState;
}

/** Embeds in spots: the register. They are made by “orbis place”, changed by “orbis set EMBED@PLACE”. */
export const placement: Thing = {
  list: (verb, run) => {
    verb
      .command('placements')
      .option('--where <search>', 'those that a search finds: state=… site=… page=… embed=…')
      .option('--site <site>', 'those on one site')
      .option('--page <page>', 'those on one page')
      .option('--embed <embed>', 'those of one embed')
      .addOption(new Option('--state <state>', 'those in one state').choices(Object.keys(spoken.states)))
      .description('the register: what is placed where, and in which state')
      .addHelpText(
        'after',
        "\nExamples:\n  orbis list placements --state out-of-date\n  orbis list placements --where 'site=hollinfell state=live'",
      )
      .action((narrowing: Narrowing) =>
        run(async (tools) => {
          let waiting = 0;
          const items = await placementsOf(tools.client(), narrowing, (count) => (waiting = count));
          tellList(
            tools,
            items,
            {
              'placement': ({ id }) => id,
              'embed': ({ embed }) => embed,
              'place': ({ place }) => place,
              'state': ({ state }) => formatState(state),
              'revision': formatRevision,
              'last seen': ({ lastSeenAt }) => formatTimestamp(lastSeenAt),
            },
            'There is no such placement. “orbis place EMBED PLACE” makes one.',
          );
          if (waiting > 0)
            tools.note(
              `Something was changed: for ${waiting < mostWaiting ? plural(waiting, 'place') : `${mostWaiting} places or more`} it is still being worked out whether they carry what they should. Ask again in a moment.\n`,
            );
          return 0;
        }),
      );
  },
  show: (verb, run) => {
    verb
      .command('placement')
      .argument('<placement>', 'its id, as “orbis list placements” shows it')
      .description('an embed at one place: its state, and what was found there')
      .action((placement: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('placements.read', { params: { placement } });
          tools.tell(data, () => describePlacement(data, tools.colours));
          return 0;
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('placement')
      .argument('<placement>', 'its id, as “orbis list placements” shows it')
      .description('end it: its code is no longer meant to stand there')
      .action((placement: string) =>
        run(async (tools) => {
          const client = tools.client();
          const { data, etag } = await client.call('placements.read', { params: { placement } });
          await client.call('placements.delete', { params: { placement }, ifMatch: etag ?? '*' });
          tools.confirm(
            { removed: placement },
            () =>
              `${data.embed} is no longer placed in ${data.place}. If its code was pasted, take it out there: “orbis plan ${data.page}” tells.\n`,
          );
          return 0;
        }),
      );
  },
};

const describePlacement = (placement: Placement, colours: Colours): string =>
  facts(
    [
      ['Placement', placement.id],
      ['Embed', `${placement.embed} (${placement.embedName})`],
      ['Place', placement.place],
      ['Page', placement.url],
      ['State', formatState(placement.state)],
      ['Revision', formatRevision(placement)],
      ['Only here', optionsLine(placement.options) || 'nothing is asked of it only here'],
      ['Last seen', formatTimestamp(placement.lastSeenAt)],
      ...placement.findings.map(({ level, message, remedy }): [string, string] => [
        level,
        `${message} ${remedy}`,
      ]),
    ],
    colours,
  );

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

/** Which revision the page carries, and which is the newest where that differs. */
export function formatRevision(placement: Pick<Placement, 'revision' | 'served' | 'carries'>): string {
  if (placement.served) return `${placement.revision}, by link`;
  const carried = placement.carries?.revision;
  if (carried === undefined) return `– of ${placement.revision}`;
  return carried === placement.revision ? String(carried) : `${carried ?? '?'} of ${placement.revision}`;
}
