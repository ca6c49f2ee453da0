import { Option } from 'commander';
import { plural, type Decision } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import { describeFinding } from '../describe/finding.ts';
import type { Exit } from '../io.ts';
import type { Thing } from './thing.ts';

/** What sweeps found; “orbis attention” lists it. */
export const finding: Thing = {
  show: (verb, run) => {
    verb
      .command('finding')
      .argument('<finding>', 'its id, as “orbis attention” shows it')
      .description('a finding, with the code that it is about')
      .action((id: string) =>
        run(async (tools) => {
          const { data } = await tools.client().call('findings.read', { params: { finding: id } });
          tools.tell(data, () => {
            const code = data.code === null ? '' : `\n${data.code.replace(/^/gm, '  ')}\n`;
            return `${describeFinding(data, tools)}${code}`;
          });
          return 0;
        }),
      );
  },
  change: (verb, run) => {
    verb
      .command('finding')
      .argument('<finding...>', 'ids, as “orbis attention” shows them')
      .option('--seen', 'take notice of it: it is not new any more')
      .option('--later <when>', 'let it wait: 12h, 7d, or a day such as 2027-03-31')
      .option('--mute', 'have it not told again; say why with --because')
      .option('--solved', 'call it solved; the next sweep says whether it is')
      .option('--open', 'have it told again')
      .option('--because <words>', 'why it waits, or is not to be told again')
      .addOption(
        new Option('--collect', 'collect the code that it is about, and place it where it stands').conflicts([
          'seen',
          'later',
          'mute',
          'solved',
          'open',
          'because',
        ]),
      )
      .addOption(
        new Option('--take-in', 'take in the newer code that its provider hands out').conflicts([
          ...['seen', 'later', 'mute', 'solved', 'open', 'because', 'collect', 'name', 'spot'],
        ]),
      )
      .option('--name <name>', 'with --collect: what it is called')
      .option('--spot <spot>', 'with --collect: the name of the spot where it stands; found, if none is said')
      .description('what a sweep found: take notice of it, let it wait, collect it')
      .addHelpText(
        'after',
        `
Examples:
  orbis change finding k3f9w2mzq7 --later 7d --because "after the festival"
  orbis change finding k3f9w2mzq7 --mute --because "the theme brings it"
  orbis change finding k3f9w2mzq7 --collect --name "Sky camera"
  orbis change finding k3f9w2mzq7 --take-in`,
      )
      .action((ids: string[], asked: Asked) => run((tools) => change(tools, ids, asked)));
  },
};

interface Asked {
  seen?: true;
  later?: string;
  mute?: true;
  solved?: true;
  open?: true;
  because?: string;
  collect?: true;
  takeIn?: true;
  name?: string;
  spot?: string;
}

async function change(tools: Tools, ids: string[], asked: Asked): Promise<Exit> {
  if (asked.collect) return collect(tools, ids, asked);
  if (asked.takeIn) return takeIn(tools, ids);
  if (asked.name !== undefined || asked.spot !== undefined)
    throw new UsedWrongly('--name and --spot go with --collect.');
  const as = decisionIn(asked);
  const body = {
    ...{ findings: ids, as },
    ...(asked.later !== undefined && { until: untilOf(asked.later, new Date()).toISOString() }),
    ...(asked.because !== undefined && { reason: asked.because }),
  };
  const { data } = await tools.client().call('findings.decide', { body });
  tools.confirm(data.items, () => data.items.map((each) => describeFinding(each, tools)).join('\n'));
  return 0;
}

function decisionIn({ seen, later, mute, solved, open, because }: Asked): Decision {
  const said: Decision[] = [
    ...(seen ? ['seen' as const] : []),
    ...(later !== undefined ? ['later' as const] : []),
    ...(mute ? ['muted' as const] : []),
    ...(solved ? ['solved' as const] : []),
    ...(open ? ['open' as const] : []),
  ];
  const [only, ...others] = said;
  if (only === undefined || others.length > 0)
    throw new UsedWrongly(
      'Say one thing of it: --seen, --later, --mute, --solved, --open, --collect or --take-in.',
    );
  if (only === 'muted' && because === undefined)
    throw new UsedWrongly('Say why it is not to be told again, with --because.');
  return only;
}

const hour = 60 * 60 * 1000;

/* A number of hours or days from now on, or a day. */
function untilOf(words: string, now: Date): Date {
  const [, number, unit] = /^(\d{1,4})([hd])$/.exec(words) ?? [];
  if (number !== undefined) return new Date(now.getTime() + Number(number) * (unit === 'h' ? 1 : 24) * hour);
  const day = /^\d{4}-\d{2}-\d{2}$/.test(words) ? new Date(`${words}T00:00`) : new Date(NaN);
  if (Number.isNaN(day.getTime()))
    throw new UsedWrongly(`“${words}” is neither a time such as 12h or 7d nor a day such as 2027-03-31.`);
  return day;
}

async function collect(tools: Tools, [id, ...others]: string[], { name, spot }: Asked): Promise<Exit> {
  if (others.length > 0) throw new UsedWrongly('One at a time is collected.');
  const body = { ...(name !== undefined && { name }), ...(spot !== undefined && { spot }) };
  const { data } = await tools.client().call('findings.register', { params: { finding: id! }, body });
  tools.confirm(data, () => {
    const places = data.placements.map(({ place, id: placement }) => `  ${place}  ${placement}\n`).join('');
    const left =
      data.left === 0
        ? ''
        : `It stands on ${plural(data.left, 'more page')}: place it there with “orbis place”.\n`;
    return `Collected as ${data.embed}, and placed as it stands:\n${places}${left}`;
  });
  return 0;
}

async function takeIn(tools: Tools, ids: readonly string[]): Promise<Exit> {
  const taken: string[] = [];
  for (const finding of ids) {
    const { data } = await tools.client().call('findings.renew', { params: { finding }, body: {} });
    taken.push(data.embed);
  }
  tools.confirm(taken, () => taken.map((embed) => `Took the newer code of ${embed} in.\n`).join(''));
  return 0;
}
