import ora from 'ora';
import {
  follow,
  spoken,
  formatState,
  type Client,
  type PlacementState,
  type Sweep,
  type SweepPage,
  plural,
} from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { fold, levelColour, table } from '../text.ts';

export const addSweep: AddCommand = (program, run) => {
  program
    .command('sweep')
    .argument('[what]', 'a site (hollinfell) or a page (hollinfell/talks); everything where it is left out')
    .description('read the published pages, and say what is really there')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis sweep\n  orbis sweep hollinfell/talks\n\nExit status: 0 everything that was placed is live, 1 something needs attention.',
    )
    .action((what: string | undefined) =>
      run(async (tools) => {
        const client = tools.client();
        const body = what === undefined ? {} : what.includes('/') ? { page: what } : { site: what };
        const { data: begun } = await client.call('sweeps.create', { body });
        const ended = await watch(client, begun, tools);
        const pages: SweepPage[] = [];
        for (let after: string | undefined; ;) {
          const { data } = await client.call('sweeps.pages', {
            params: { sweep: begun.id },
            query: { limit: 200, after },
          });
          pages.push(...data.items);
          if (data.next === null) break;
          after = data.next;
        }
        tools.tell({ ...ended, seen: pages }, () => describe(ended, pages, tools));
        return needsAttention(ended, pages) ? 1 : 0;
      }),
    );
};

/** Follows a sweep to its end, with a line of progress on a terminal. */
async function watch(client: Client, begun: Sweep, { io }: Tools): Promise<Sweep> {
  const spinner = io.errIsTerminal ? ora({ text: 'reading pages', stream: process.stderr }).start() : null;
  try {
    let last = begun;
    for await (const sweep of follow(
      client,
      'sweeps.events',
      { params: { sweep: begun.id }, signal: io.signal },
      ({ endedAt }) => endedAt !== null,
    )) {
      last = sweep;
      if (spinner) spinner.text = `${last.read + last.unreachable} of ${plural(last.pages, 'page')} read`;
    }
    return last;
  } finally {
    spinner?.stop();
  }
}

const needsAttention = ({ state, counts, unreachable }: Sweep, pages: readonly SweepPage[]): boolean =>
  state !== 'done' ||
  unreachable > 0 ||
  pages.some(({ seen }) => seen.some(({ findings }) => findings.some(({ level }) => level !== 'note'))) ||
  Object.entries(counts).some(([name, count]) => name !== 'live' && name !== 'planned' && count > 0);

function describe(sweep: Sweep, pages: readonly SweepPage[], { colours, io }: Tools): string {
  const rows = pages.flatMap((page) => {
    const name = page.state === 'unreachable' ? `${page.page} ${colours.red('(not read)')}` : page.page;
    return page.seen.length === 0
      ? [[name, '–', '–', 'nothing is placed here']]
      : page.seen.map((seen, i) => [
          i === 0 ? name : '',
          seen.spot,
          seen.embed,
          colourState(seen.state, colours),
        ]);
  });
  const findings = pages.flatMap((page) =>
    page.seen.flatMap((seen) =>
      seen.findings.map((finding) => ({ ...finding, page: page.page, embed: seen.embed })),
    ),
  );
  const told = findings.map(
    (f) =>
      `\n${levelColour(f.level, colours)(f.level)} ${colours.dim(`${f.embed} in ${f.page}`)}\n${fold(f.message, io.width, '  ')}${fold(f.remedy, io.width, '  ')}`,
  );
  const counts = Object.entries(sweep.counts)
    .filter(([, count]) => count > 0)
    .map(([state, count]) => `${String(count)} ${formatState(state as PlacementState)}`);
  const end =
    sweep.state === 'done'
      ? ''
      : `The sweep ${sweep.state === 'stopped' ? 'was stopped' : 'failed'} before its end. `;
  return `${table(['page', 'spot', 'embed', 'state'], rows, colours)}${told.join('')}\n${end}${plural(sweep.read, 'page')} read${sweep.unreachable ? `, ${sweep.unreachable} not` : ''}: ${counts.join(', ') || 'nothing is placed'}.\n`;
}

export function colourState(state: keyof typeof spoken.states, colours: Tools['colours']): string {
  const colour = {
    'planned': colours.dim,
    'live': colours.green,
    'altered': colours.yellow,
    'out-of-date': colours.yellow,
    'missing': colours.red,
    'unreachable': colours.red,
  }[state];
  return colour(formatState(state));
}
