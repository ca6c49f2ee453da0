import ora from 'ora';
import { follow, mostLooks, spoken, usualLooks, type Inspection, type Loss } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { wholeNumber } from '../terminal.ts';
import { fold, formatTimestamp, levelColour } from '../text.ts';
import { every, limit } from '../things/every.ts';

interface Asked {
  looks: string;
  last?: boolean;
}

export const addInspect: AddCommand = (program, run) => {
  program
    .command('inspect')
    .argument('<site>', 'its key, as “orbis list sites” shows it')
    .option(
      '--looks <pages>',
      `look at so many pages with a browser, at most ${mostLooks}`,
      String(usualLooks),
    )
    .option('--last', 'tell of the last time, or how far it is now, instead of checking anew')
    .description('check everything of a site, and say what works no longer that worked before')
    .addHelpText(
      'after',
      `
Examples:
  orbis inspect hollinfell
  orbis inspect hollinfell --looks 0
  orbis inspect hollinfell --last --json

It is for when an editor or a theme was renewed. All pages are read; those are looked at first that were
looked at before. Where no browser is, pages are only read.
Exit status: 0 nothing was lost, 1 something works no longer, 3 it was stopped or broke off.`,
    )
    .action((site: string, { looks, last = false }: Asked) =>
      run(async (tools) => {
        const done = last ? await lastOf(site, tools) : await inspect(site, pagesIn(looks), tools);
        const losses = await every((after) =>
          tools
            .client()
            .call('inspections.losses', { params: { inspection: done.id }, query: { limit, after } }),
        );
        tools.tell({ ...done, losses }, () => describe(done, losses, tools));
        if (done.lost > 0) return 1;
        return done.state === 'done' || done.endedAt === null ? 0 : 3;
      }),
    );
};

function pagesIn(word: string): number {
  const pages = wholeNumber(word, 0, mostLooks);
  if (pages === null) throw new UsedWrongly(`--looks takes a number of pages, from 0 to ${mostLooks}.`);
  return pages;
}

async function lastOf(site: string, { client }: Tools): Promise<Inspection> {
  const { data } = await client().call('inspections.list', { params: { site }, query: { limit: 1 } });
  const [last] = data.items;
  if (!last) throw new UsedWrongly(`Nobody has checked everything of ${site} yet: leave --last out.`);
  return last;
}

/* Followed to its end, with a line on a terminal that says how far it is. */
async function inspect(site: string, looks: number, { client, io, quiet }: Tools): Promise<Inspection> {
  const { data: begun } = await client().call('inspections.create', { body: { site, looks } });
  const line = io.errIsTerminal && !quiet ? ora({ text: 'checking', stream: process.stderr }).start() : null;
  try {
    let last = begun;
    const events = follow(
      client(),
      'inspections.events',
      { params: { inspection: begun.id }, signal: io.signal },
      ({ endedAt }) => endedAt !== null,
    );
    for await (const now of events) {
      last = now;
      if (line) line.text = spoken.inspections.progress(now);
    }
    return last;
  } finally {
    line?.stop();
  }
}

function describe(done: Inspection, losses: readonly Loss[], { colours, io }: Tools): string {
  const { inspections } = spoken;
  const { failed, done: looked } = done.looks;
  const told = losses.map(
    ({ level, embedName, place, message, details, remedy, goodAt, look }) =>
      `\n${levelColour(level, colours)(level)} ${embedName} in ${place}\n${[
        message,
        ...details.map((each) => `- ${each}`),
        ...(goodAt === null ? [] : [inspections.wellUntil(formatTimestamp(goodAt), look !== null)]),
        remedy,
      ]
        .map((each) => fold(each, io.width, '  '))
        .join('')}`,
  );
  const notes = [
    inspections.looked(looked - failed.length),
    ...(done.unknown > 0 ? [inspections.unknown(done.unknown)] : []),
    ...failed.map((each) => inspections.notLooked(each)),
  ];
  return [
    `${colours.bold(done.site)}, checked ${formatTimestamp(done.createdAt)}\n`,
    fold(done.endedAt === null ? inspections.progress(done) : inspections.result(done), io.width, ''),
    ...told,
    '\n',
    ...notes.map((each) => fold(each, io.width, '')),
  ].join('');
}
