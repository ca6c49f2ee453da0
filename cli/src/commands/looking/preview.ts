import type { AddCommand, Tools } from '../../command.ts';
import { UsedWrongly } from '../../command.ts';
import { fold } from '../../text.ts';
import { wholeNumber } from './numbers.ts';
import { embedArgument, subjectOf, type Subject } from './subject.ts';
import { writeOut } from './writing.ts';

interface Given {
  out: string;
  width: number;
  pasted?: true;
  background?: string;
  on?: string;
  before?: string;
  after?: string;
}

export const addPreview: AddCommand = (program, run) => {
  program
    .command('preview')
    .argument(...embedArgument)
    .requiredOption('--out <file>', 'the file to write, a PNG')
    .option('--width <px>', 'how wide the window is, from 160 to 2560', wholeNumber, 1280)
    .option('--pasted', 'as it was pasted, with nothing that is asked of it')
    .option('--background <colour>', 'the colour behind it, as #rrggbb')
    .option('--on <page>', 'in a published page of yours, whose own scripts and frames are left out')
    .option('--before <words>', 'with --on: before the heading or paragraph that begins so')
    .option('--after <words>', 'with --on: after it')
    .description('photograph how an embed looks; needs Chromium where Orbis runs')
    .addHelpText(
      'after',
      `
Examples:
  orbis preview opening-talk --width 390 --out phone.png
  orbis preview opening-talk@hollinfell/talks#main --out talks.png
  orbis preview opening-talk --on hollinfell/talks --after "How to find north" --out there.png

Without --before and --after it stands where its code is on that page, else where it most likely
goes. What does not work in it, as far as asking for its frames and scripts tells, is said beside.`,
    )
    .action((embed: string, given: Given) =>
      run(async (tools) => {
        const client = tools.client();
        const view = viewOf(given);
        const subject = await subjectOf(embed, client);
        const { out, width } = given;
        const { data } = await client.call('pictures.create', { body: { ...subject, ...view, width } });
        await writeOut(out, data.data, tools.io);
        const troubles = await troublesOf(subject, tools);
        tools.confirm(
          { file: out, width: data.width, height: data.height, troubles },
          () =>
            `Wrote ${out}: ${embed}${given.on === undefined ? '' : ` in ${given.on}`} in a window of ${data.width} px, ${data.height} px high.\n${troubles.map((trouble) => fold(trouble, tools.io.width, '')).join('')}`,
        );
        return 0;
      }),
    );
};

/* How it is shown, as the interface takes it. */
function viewOf({ pasted, background, on, before, after }: Given) {
  if (before !== undefined && after !== undefined)
    throw new UsedWrongly('Say --before or --after, not both.');
  const words = before ?? after;
  if (words !== undefined && on === undefined)
    throw new UsedWrongly('--before and --after say where on a page: name the page with --on.');
  const side = before === undefined ? ('after' as const) : ('before' as const);
  return {
    ...(pasted && { asPasted: true }),
    ...(background !== undefined && { background: background.toLowerCase() }),
    ...(on !== undefined && { on: { page: on, ...(words !== undefined && { beside: { side, words } }) } }),
  };
}

async function troublesOf(subject: Subject, tools: Tools): Promise<string[]> {
  const { data } = await tools.client().call('inquiries.create', { body: subject });
  return data.troubles.map(({ message }) => message);
}
