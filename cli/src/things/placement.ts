import { formatState, mostWaiting, optionsLine, parsePlace, plural, type Placement } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import { atPlace } from '../commands/placed.ts';
import type { Exit } from '../io.ts';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { tellList } from './every.ts';
import { addChangeMany } from './many-placements.ts';
import { addNarrowing, keptAs, placementsOf, type Narrowing } from './placements-of.ts';
import { thePlacement } from './the-placement.ts';
import type { Thing } from './thing.ts';

/** Embeds in spots: the register. “orbis place” makes them, “orbis set EMBED@PLACE” sets options there. */
export const placement: Thing = {
  list: (verb, run) => {
    addNarrowing(verb.command('placements'))
      .description('the register: what is placed where, and in which state')
      .addHelpText(
        'after',
        "\nExamples:\n  orbis list placements --state out-of-date\n  orbis list placements --where 'site=hollinfell state=live'\n  orbis list placements --host play.kinorill.localhost",
      )
      .action(({ search, ...asked }: Narrowing & { search?: string }) =>
        run(async (tools) => {
          let waiting = 0;
          const narrowing = { ...asked, ...(await keptAs(search, asked, tools)) };
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
  change: (verb, run) => {
    verb
      .command('placement')
      .argument('<placement>', 'its id, or an embed and its place: opening-talk@hollinfell/talks#main')
      .option('--note <words>', 'what is to be remembered about it there; none takes it away')
      .option('--pause', 'nothing of it is to stand there for a while; what is asked of it is kept')
      .option('--resume', 'it is to stand there again')
      .option('--to <place>', 'it is to stand in another spot instead, with what is asked of it')
      .description('note something about it, pause it, or move it to another spot')
      .addHelpText(
        'after',
        `
Examples:
  orbis change placement opening-talk@hollinfell/talks#opening --note "until the new dome stands" --pause
  orbis change placement opening-talk@hollinfell/talks#opening --to hollinfell/live#camera

“orbis plan PAGE” then says what to take out and what to paste; “orbis undo” takes it back.`,
      )
      .action((named: string, asked: ChangeAsked) => run((tools) => changePlacement(named, asked, tools)));
    addChangeMany(verb, run);
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

interface ChangeAsked {
  note?: string;
  pause?: boolean;
  resume?: boolean;
  to?: string;
}

async function changePlacement(named: string, asked: ChangeAsked, tools: Tools): Promise<Exit> {
  const body = bodyOf(asked);
  if (asked.to !== undefined) parsePlace(asked.to);
  const client = tools.client();
  const at = atPlace(named);
  const { id: placement } = await thePlacement(client, at?.embed ?? named, at?.place);
  const params = { placement };
  if (body !== null) {
    const { etag } = await client.call('placements.read', { params });
    await client.call('placements.change', { params, body, ifMatch: etag ?? '*' });
  }
  const { data, etag } = await client.call('placements.read', { params });
  if (asked.to !== undefined) return movePlacement(data, { to: asked.to, etag }, tools);
  const next = body?.paused === undefined ? '' : `\n“orbis plan ${data.page}” says what to do there now.\n`;
  tools.confirm(data, () => `${describePlacement(data, tools.colours)}${next}`);
  return 0;
}

/* What changes where it is; null for nothing. @throws UsedWrongly where nothing is asked, or both ways */
function bodyOf({
  note,
  pause = false,
  resume = false,
  to,
}: ChangeAsked): { note?: string; paused?: boolean } | null {
  if (pause && resume) throw new UsedWrongly('Say either --pause or --resume.');
  const body = {
    ...(note !== undefined && { note: note.trim().toLowerCase() === 'none' ? '' : note }),
    ...((pause || resume) && { paused: pause }),
  };
  if (Object.keys(body).length > 0) return body;
  if (to === undefined) throw new UsedWrongly('Say what to change: --note, --pause, --resume or --to.');
  return null;
}

async function movePlacement(
  from: Placement,
  { to, etag }: { to: string; etag: string | null },
  tools: Tools,
): Promise<Exit> {
  const { data } = await tools.client().call('placements.move', {
    params: { placement: from.id },
    body: { place: to },
    ifMatch: etag ?? '*',
  });
  const next =
    from.page === data.page
      ? `“orbis plan ${data.page}” says what to take out and what to paste.`
      : `“orbis plan ${from.page}” says what to take out there, “orbis plan ${data.page}” what to paste.`;
  tools.confirm(
    data,
    () => `Moved ${data.embed} from ${from.place} to ${data.place} (placement ${data.id}).\n${next}\n`,
  );
  return 0;
}

const describePlacement = (placement: Placement, colours: Colours): string =>
  facts(
    [
      ['Placement', placement.id],
      ['Embed', `${placement.embed} (${placement.embedName})`],
      ['Place', placement.place],
      ['Page', placement.url],
      ['State', `${formatState(placement.state)}${since(placement.stateSince)}`],
      ['Revision', formatRevision(placement)],
      ['Only here', optionsLine(placement.options) || 'nothing is asked of it only here'],
      ...(placement.note === '' ? [] : [['Note', placement.note] as [string, string]]),
      ...(placement.pausedAt === null
        ? []
        : [['Paused', `since ${formatTimestamp(placement.pausedAt)}`] as [string, string]]),
      ['Last seen', formatTimestamp(placement.lastSeenAt)],
      ...placement.findings.map(({ level, message, remedy }): [string, string] => [
        level,
        `${message} ${remedy}`,
      ]),
    ],
    colours,
  );

const since = (at: string | null): string => (at === null ? '' : ` since ${formatTimestamp(at)}`);

/** Which revision the page carries, and which is the newest where that differs. */
export function formatRevision(placement: Pick<Placement, 'revision' | 'served' | 'carries'>): string {
  if (placement.served) return `${placement.revision}, by link`;
  const carried = placement.carries?.revision;
  if (carried === undefined) return `– of ${placement.revision}`;
  return carried === placement.revision ? String(carried) : `${carried ?? '?'} of ${placement.revision}`;
}
