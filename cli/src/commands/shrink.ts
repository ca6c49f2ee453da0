import ora from 'ora';
import { fittingFilm, type FittingFilm } from '@orbis/core';
import { formatBytes } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { wholeNumber } from './looking/numbers.ts';

interface Asked {
  spot?: string;
  wide?: number;
  out?: string;
}

/* Where nothing says how wide its spot is, px. */
const usualRoom = 728;

export const addShrink: AddCommand = (program, run) => {
  program
    .command('shrink')
    .argument('<film>', 'a film, as a file of yours')
    .option('--spot <spot>', 'for this spot, whose widths Orbis knows')
    .option(
      '--wide <px>',
      `for a spot that is so many px wide; ${usualRoom} where nothing is said`,
      wholeNumber,
    )
    .option('--out <file>', 'where the smaller film is written; beside the other where nothing is said')
    .description('make a smaller film of one that is larger than its spot shows (by ffmpeg)')
    .addHelpText(
      'after',
      `
Examples:
  orbis shrink dome-opens.mov --spot hollinfell/live#camera
  orbis shrink dome-opens.mov --wide 640 --out dome.mp4

No file is written over. ffmpeg has to be installed, as Debian’s package of that name.`,
    )
    .action((film: string, asked: Asked) => run((tools) => shrink(tools, film, asked)));
};

async function shrink(tools: Tools, film: string, asked: Asked): Promise<Exit> {
  if (asked.spot !== undefined && asked.wide !== undefined)
    throw new UsedWrongly('Name a spot, or say how wide it is.');
  const room = asked.spot === undefined ? (asked.wide ?? usualRoom) : await widthOf(tools, asked.spot);
  const before = await probe(tools, film);
  const fitting = fittingFilm(before, room);
  const out = asked.out ?? `${film.replace(/\.[^./\\]+$/, '')}-${fitting.width}px.mp4`;
  if (out === film) throw new UsedWrongly('Give the smaller film another name: the one that you have stays.');
  await convert(tools, film, out, fitting);
  const after = await probe(tools, out);
  const result = { film: out, room, width: after.width, height: after.height, bytes: after.bytes, before };
  tools.tell(result, () => {
    const less =
      before.bytes > after.bytes
        ? `${formatBytes(after.bytes)} instead of ${formatBytes(before.bytes)}`
        : `${formatBytes(after.bytes)}, which is no less than before: keep the one that you have`;
    return `${out}: ${after.width} × ${after.height} px, ${less}.\n`;
  });
  return before.bytes > after.bytes ? 0 : 1;
}

/* The widest that a spot is on any device. */
async function widthOf({ client }: Tools, spot: string): Promise<number> {
  const { data } = await client().call('spots.read', { params: { spot } });
  return Math.max(data.widths.phone, data.widths.tablet, data.widths.desktop);
}

interface Film {
  width: number;
  height: number;
  bytes: number;
}

async function probe({ io }: Tools, film: string): Promise<Film> {
  const said = await program(io, 'ffprobe', [
    ...['-v', 'error', '-select_streams', 'v:0', '-show_entries', 'stream=width,height:format=size'],
    ...['-of', 'json', `file:${film}`],
  ]);
  const { streams, format } = JSON.parse(said) as {
    streams?: { width?: number; height?: number }[];
    format?: { size?: string };
  };
  const [stream] = streams ?? [];
  if (!stream?.width || !stream.height || !format?.size) throw new UsedWrongly(`${film} is no film.`);
  return { width: stream.width, height: stream.height, bytes: Number(format.size) };
}

async function convert(
  { io, quiet }: Tools,
  film: string,
  out: string,
  { width, height, kilobits }: FittingFilm,
): Promise<void> {
  const line = io.errIsTerminal && !quiet ? ora({ text: 'making it', stream: process.stderr }).start() : null;
  try {
    await program(io, 'ffmpeg', [
      ...['-v', 'error', '-nostdin', '-n', '-i', `file:${film}`, '-vf', `scale=${width}:${height}`],
      // Which every browser plays, and which begins to play before all of it has come.
      ...['-c:v', 'libx264', '-pix_fmt', 'yuv420p', '-movflags', '+faststart'],
      // As good as people see, and never more than would do.
      ...['-crf', '24', '-maxrate', `${kilobits}k`, '-bufsize', `${kilobits * 2}k`],
      ...['-c:a', 'aac', '-b:a', '128k', '-f', 'mp4', `file:${out}`],
    ]);
  } finally {
    line?.stop();
  }
}

async function program(io: Tools['io'], name: string, args: readonly string[]): Promise<string> {
  const { exit, out, err } = await io.program(name, args);
  if (exit === null)
    throw new UsedWrongly(`${name} is not installed on this machine. On Debian: apt-get install ffmpeg.`);
  if (exit !== 0) throw new UsedWrongly(`${name} could not do it: ${err.trim().split('\n').at(-1) ?? ''}`);
  return out;
}
