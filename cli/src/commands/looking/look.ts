import { join } from 'node:path';
import ora from 'ora';
import {
  formatBytes,
  lookPictures,
  outcomeOf,
  spoken,
  type JudgedPlaced,
  type Look,
  type LookWidth,
} from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../../command.ts';
import { fold, formatTimestamp, levelColour, table } from '../../text.ts';
import { isErrno } from '../../io.ts';

interface Options {
  sendForms?: boolean;
  last?: boolean;
  pictures?: string;
}

export const addLook: AddCommand = (program, run) => {
  program
    .command('look')
    .argument('<page>', 'site and path, such as hollinfell/talks')
    .option('--send-forms', 'fill in forms and send them, to a stand-in: nothing of that reaches anybody')
    .option('--last', 'tell of the last look, instead of looking anew')
    .option('--pictures <folder>', 'write the pictures there, as WebP')
    .description(
      'look at a published page as a visitor does: does what is placed show, play, jump, load too early? needs Chromium where Orbis runs',
    )
    .addHelpText(
      'after',
      `
Examples:
  orbis look hollinfell/talks
  orbis look hollinfell/talks --pictures .
  orbis look hollinfell/newsletter --send-forms
  orbis look hollinfell/talks --last --json

It takes a minute or so. What is wrong stands in “orbis attention” until the next look.
Exit status: 0 all is well, 1 something is wrong.`,
    )
    .action((page: string, { sendForms = false, last = false, pictures }: Options) =>
      run(async (tools) => {
        if (last && sendForms) throw new UsedWrongly('--last looks at nothing, so that it sends nothing.');
        const look = last ? await lastLook(page, tools) : await takeLook(page, sendForms, tools);
        const files = pictures === undefined ? [] : await writePictures(look, pictures, tools);
        tools.tell({ ...look, files }, () => describe(look, tools));
        for (const file of files) tools.note(`Written: ${file}\n`);
        return look.placed.some(({ findings }) => findings.length > 0) ? 1 : 0;
      }),
    );
};

/* With a line on a terminal, which says how far it is. */
async function takeLook(page: string, sendForms: boolean, { client, io, quiet }: Tools): Promise<Look> {
  const line = io.errIsTerminal && !quiet ? ora({ text: 'looking', stream: process.stderr }).start() : null;
  try {
    const response = await client().open('looks.take', {
      ...{ params: { page }, body: { sendForms }, signal: io.signal },
    });
    return await outcomeOf<Look, { width: LookWidth }>(
      response,
      ({ width }) => {
        if (line) line.text = `looking: ${spoken.looks.devices[width].toLowerCase()}`;
      },
      'Orbis broke off before it had seen all; nothing was kept.',
    );
  } finally {
    line?.stop();
  }
}

async function lastLook(page: string, { client }: Tools): Promise<Look> {
  const { data } = await client().call('looks.list', { params: { page }, query: { limit: 1 } });
  const [look] = data.items;
  if (!look) throw new UsedWrongly(`Nobody has looked at ${page} yet: leave --last out.`);
  return look;
}

/* The files that were written. */
async function writePictures(look: Look, folder: string, { client, io }: Tools): Promise<string[]> {
  const files: string[] = [];
  for (const picture of lookPictures) {
    if (picture === 'popup' && !look.hasPopUp) continue;
    const file = join(folder, `${look.page.replaceAll('/', '-')}-${picture}.webp`);
    const response = await client().open('looks.picture', { params: { look: look.id, picture } });
    try {
      await io.writeFile(file, new Uint8Array(await response.arrayBuffer()));
    } catch (error) {
      if (!isErrno(error)) throw error;
      throw new UsedWrongly(
        `${file} cannot be written (${error.code ?? error.message}). Name a folder that is there and is yours.`,
      );
    }
    files.push(file);
  }
  return files;
}

const { looks } = spoken;

function describe(look: Look, tools: Tools): string {
  const { colours, io } = tools;
  const { placed, hosts, complaints, widths, url, at } = look;
  const head = `${colours.bold(look.page)} as visitors saw it, ${formatTimestamp(at)}\n${colours.dim(url)}\n`;
  const over = widths.flatMap(({ width, over: by }) =>
    by > 0
      ? [`On a ${looks.devices[width].toLowerCase()} the page is ${by} px wider than the window.\n`]
      : [],
  );
  const embeds =
    placed.length === 0
      ? '\nNothing is placed there whose code was handed out.\n'
      : placed.map((each) => describePlaced(each, tools)).join('');
  const loaded = table(
    ['host', 'at once', '', 'when allowed', ''],
    hosts.map(({ host, isOwn, before, after }) => [
      isOwn ? `${host} (the page’s own)` : host,
      ...[before, after].flatMap(({ requests, bytes }) => [
        requests === 0 ? '–' : `${requests}`,
        requests === 0 ? '' : formatBytes(bytes),
      ]),
    ]),
    colours,
  );
  const said = complaints.map(({ message, times }) =>
    fold(`- ${message}${times > 1 ? ` (${times} times)` : ''}`, io.width, '  '),
  );
  return [
    head,
    ...over,
    embeds,
    `\nWhat it loads, by host, on a desktop:\n${loaded}`,
    ...(said.length > 0 ? [`\nWhat the page complains of:\n${said.join('')}`] : []),
  ].join('');
}

function describePlaced(placed: JudgedPlaced, { colours, io }: Tools): string {
  const { embedName, place, isThere, widths, waits, before, after, playing, sent, findings } = placed;
  if (!isThere) return `\n${colours.bold(embedName)} in ${place}\n  It is not on the page.\n`;
  const rows = widths.map(({ width, box, shows, moved }) => [
    looks.devices[width].toLowerCase(),
    looks.shows(shows, box),
    looks.size(box),
    looks.moved(moved),
  ]);
  const load = (of: typeof before): string =>
    looks.loads({ requests: of.requests, size: formatBytes(of.bytes) });
  const lines = [
    waits
      ? `Loads ${load(before)} at once, and ${load(after)} once it is allowed.`
      : `Loads ${load(before)}.`,
    ...(playing ? [looks.playing(playing)] : []),
    ...(sent ? [looks.sent(sent)] : []),
  ];
  const wrong = findings.map(
    ({ level, message, remedy }) =>
      `${fold(`${levelColour(level, colours)(level)} ${message}`, io.width, '  ')}${fold(remedy, io.width, '  ')}`,
  );
  return `\n${colours.bold(embedName)} in ${place}\n${indented(table(['on', '', 'size', 'while it loads'], rows, colours))}${lines
    .map((line) => fold(line, io.width, '  '))
    .join('')}${wrong.join('')}`;
}

const indented = (text: string): string => text.replace(/^(?=.)/gm, '  ');
