import ora from 'ora';
import { follow, plural, spoken, type Client, type Sweep } from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { describeSweep, needsAttention } from '../describe/sweep.ts';
import { formatTimestamp } from '../text.ts';
import { pagesOfSweep } from '../things/sweep.ts';

export const addSweep: AddCommand = (program, run) => {
  program
    .command('sweep')
    .argument('[what]', 'a site (hollinfell) or a page (hollinfell/talks); everything where it is left out')
    .option(
      '--at <address>',
      'at a further address of the site, such as a preview: only told, and kept apart',
    )
    .description('read the published pages, and say what is really there')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis sweep\n  orbis sweep hollinfell/talks\n  orbis sweep hollinfell --at https://preview.hollinfell.example\n\n“orbis change site SITE --also” says which further addresses a site has.\nExit status: 0 everything that was placed is live, 1 something needs attention.',
    )
    .action((what: string | undefined, { at }: { at?: string }) =>
      run(async (tools) => {
        const client = tools.client();
        const scope = what === undefined ? {} : what.includes('/') ? { page: what } : { site: what };
        const { data: begun } = await client.call('sweeps.create', { body: { ...scope, at } });
        const ended = await watch(client, begun, tools);
        const pages = await pagesOfSweep(begun.id, client);
        tools.tell({ ...ended, seen: pages }, () => describeSweep(ended, pages, tools));
        return needsAttention(ended, pages) ? 1 : 0;
      }),
    );
};

/* How far it is, and what it waits for. */
const progress = ({ state, read, unreachable, pages, waitsFor }: Sweep): string =>
  [
    `${read + unreachable} of ${plural(pages, 'page')} read`,
    ...(state === 'paused' ? ['paused'] : []),
    ...waitsFor.map((waits) => spoken.sweepWaits(waits, formatTimestamp)),
  ].join(' · ');

/** Follows a sweep to its end, with a line of progress on a terminal. */
async function watch(client: Client, begun: Sweep, { io, quiet }: Tools): Promise<Sweep> {
  const spinner =
    io.errIsTerminal && !quiet ? ora({ text: 'reading pages', stream: process.stderr }).start() : null;
  try {
    let last = begun;
    for await (const sweep of follow(
      client,
      'sweeps.events',
      { params: { sweep: begun.id }, signal: io.signal },
      ({ endedAt }) => endedAt !== null,
    )) {
      last = sweep;
      if (spinner) spinner.text = progress(last);
    }
    return last;
  } finally {
    spinner?.stop();
  }
}
