import type { AddCommand } from '../../command.ts';
import { wholeNumber } from './numbers.ts';
import { embedArgument, subjectOf } from './subject.ts';
import { writeOut } from './writing.ts';

export const addPreview: AddCommand = (program, run) => {
  program
    .command('preview')
    .argument(...embedArgument)
    .requiredOption('--out <file>', 'the file to write, a PNG')
    .option('--width <px>', 'how wide the window is, from 160 to 2560', wholeNumber, 1280)
    .description('photograph how an embed looks in a window; needs Chromium where Orbis runs')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis preview opening-talk --width 390 --out phone.png\n  orbis preview opening-talk@hollinfell/talks#main --out talks.png',
    )
    .action((embed: string, { out, width }: { out: string; width: number }) =>
      run(async (tools) => {
        const client = tools.client();
        const subject = await subjectOf(embed, client);
        const { data } = await client.call('pictures.create', { body: { ...subject, width } });
        await writeOut(out, data.data, tools.io);
        tools.confirm(
          { file: out, width: data.width, height: data.height },
          () => `Wrote ${out}: ${embed} in a window of ${data.width} px, ${data.height} px high.\n`,
        );
        return 0;
      }),
    );
};
