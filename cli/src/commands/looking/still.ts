import { basename, extname } from 'node:path';
import { formatTime, parseTime, withoutOptions, type Options } from '@orbis/core';
import { formatBytes, type Still, type StillType } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../../command.ts';
import { fold } from '../../text.ts';
import { wholeNumber } from './numbers.ts';
import { saveOptions } from './saving.ts';
import { writeOut } from './writing.ts';
import { embedArgument, subjectOf } from './subject.ts';

interface StillOptions {
  at?: string;
  out?: string;
  width?: number;
  fromProvider?: boolean;
  inside?: boolean;
}

export const addStill: AddCommand = (program, run) => {
  program
    .command('still')
    .argument(...embedArgument)
    .option('--at <time>', 'the time of the film, such as 1:52; without it as the embed begins')
    .option(
      '--out <file>',
      'the file to write (.jpg, .webp or .avif), or a name without ending for all three',
    )
    .option(
      '--width <px>',
      'how wide it stands on the page; the picture has twice as many pixels',
      wholeNumber,
    )
    .option('--from-provider', 'the picture that the provider named when the link was collected')
    .option('--inside', 'keep it small and blurred inside the code, as the still of the embed')
    .description('take a still picture of what an embed shows; needs Chromium where Orbis runs')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis still opening-talk --at 1:52 --out moor\n  orbis still opening-talk --at 1:52 --out moor.jpg --width 720\n  orbis still opening-talk --inside\n\nPut the files on your site and name their address: orbis set opening-talk still=ADDRESS',
    )
    .action((embed: string, options: StillOptions) =>
      run(async (tools) => {
        if (options.out === undefined && !options.inside)
          throw new UsedWrongly('Say where it goes: --out FILE, or --inside for the code itself.');
        const type = typeOf(options.out);
        const client = tools.client();
        const subject = await subjectOf(embed, client);
        const { data } = await client.call('stills.create', {
          body: {
            ...subject,
            of: options.fromProvider ? 'provider' : 'embed',
            ...(options.at !== undefined && { at: secondOf(options.at) }),
            ...(options.width !== undefined && { width: options.width }),
          },
        });
        const files = options.out === undefined ? [] : await write(data, options.out, type, tools);
        for (const note of data.notes) tools.note(fold(note, tools.io.width, ''));
        const saved = options.inside
          ? await saveOptions(subject, (now) => inside(data, now), 'A still picture was taken', client)
          : null;
        tools.confirm({ ...data, files }, () => described(embed, data, files, saved, type));
        return 0;
      }),
    );
};

/* It shows only while something waits: so that it does. It has no other types beside it. */
const inside = ({ blurred }: Still, now: Options): Options => ({
  ...withoutOptions(now, ['still-also']),
  still: blurred,
  ...(now['load'] === undefined && { load: 'near' }),
});

const endings: Readonly<Record<string, StillType>> = {
  '.avif': 'image/avif',
  '.webp': 'image/webp',
  '.jpg': 'image/jpeg',
  '.jpeg': 'image/jpeg',
};

/* The one type that a file is of; null for all of them. */
function typeOf(out: string | undefined): StillType | null {
  const ending = extname(out ?? '').toLowerCase();
  if (ending === '') return null;
  const type = endings[ending];
  if (type === undefined)
    throw new UsedWrongly(
      `A still is written as .jpg, .webp or .avif, not as ${ending}; without an ending as all three.`,
    );
  return type;
}

function secondOf(text: string): number {
  const time = parseTime(text);
  if (!time.ok) throw new UsedWrongly(`“${text}” is no time. A time is such as 1:52 or 112.`);
  return time.value;
}

interface Written {
  file: string;
  bytes: number;
}

async function write(still: Still, out: string, type: StillType | null, { io }: Tools): Promise<Written[]> {
  const wanted = still.files.filter((file) => type === null || file.type === type);
  const written: Written[] = [];
  for (const file of wanted) {
    const name = type === null ? `${out}${endingOf(file.type)}` : out;
    await writeOut(name, file.data, io);
    written.push({ file: name, bytes: file.bytes });
  }
  return written;
}

const endingOf = (type: StillType): string =>
  Object.keys(endings).find((ending) => endings[ending] === type)!;

function described(
  embed: string,
  { width, height, at }: Still,
  files: readonly Written[],
  saved: string | null,
  type: StillType | null,
): string {
  const names = files.map(({ file, bytes }) => `${file} (${formatBytes(bytes)})`).join(', ');
  const when = at === null ? '' : `, at ${formatTime(at)}`;
  const also = type === null ? ' still-also=avif-and-webp' : '';
  const last = basename(files.at(-1)?.file ?? '');
  return [
    ...(files.length > 0
      ? [
          `Wrote ${names}: ${width} × ${height} pixels${when}.`,
          `Put ${files.length > 1 ? 'them beside each other' : 'it'} on your site, then: orbis set ${embed} still=ADDRESS/${last}${also}`,
        ]
      : []),
    ...(saved === null ? [] : [`It stands in the code now, small and blurred. ${saved}`]),
  ]
    .map((line) => `${line}\n`)
    .join('');
}
