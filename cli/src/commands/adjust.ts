import { compose, openCode } from '@orbis/core';
import { formatReasons, parseOptions, refuseProblems, serializeProblem } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { pasted } from '../pasted.ts';
import { localSheets } from '../sheets/local.ts';
import { fold } from '../text.ts';
import { formatUncarried } from './placed.ts';

export const addAdjust: AddCommand = (program, run) => {
  program
    .command('adjust')
    .argument(
      '<what>',
      'a file, - for standard input, a link, or a provider with an item’s id (stallmere:311)',
    )
    .argument('<options...>', 'options, as name=value')
    .option('--sheets <folder>', 'provider sheets of your own beside the built-in ones')
    .description('print a code as options make it, without keeping it and without the service')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis adjust talk.html start=1:52 end=3:04 > clip.html\n  cat map.html | orbis adjust - zoom=15 --json\n  orbis adjust stallmere:311 count=3\n\nThe code goes to standard output; the sheet and the reasons to standard error.',
    )
    .action((what: string, words: string[], options: { sheets?: string }) =>
      run(async (tools) => {
        const sheets = localSheets(options.sheets);
        const asPasted = openCode(await pasted(what, tools.io), { sheets });
        const code =
          asPasted.reading.generated === null ? asPasted : openCode(asPasted.reading.generated, { sheets });
        const { edits, implied, problems, uncarried, text } = compose(code, {
          ...asPasted.reading.asked,
          ...parseOptions(words, code.sheet ? [code.sheet] : []),
        });
        refuseProblems(problems);
        const sheet = code.sheet && { id: code.sheet.id, version: code.sheet.version };
        if (tools.json)
          tools.io.out(
            `${JSON.stringify({ sheet, edits: edits.map((edit) => ({ ...edit, reason: formatReasons(edit.reasons) })), implied, uncarried: uncarried.map(serializeProblem), text }, null, 2)}\n`,
          );
        else {
          tools.io.out(text);
          tools.note(
            `${sheet ? `Sheet ${sheet.id}, version ${sheet.version}.` : 'No sheet knows this provider.'}\n${edits.map((edit) => fold(formatReasons(edit.reasons), tools.io.width, '  ')).join('')}${formatUncarried(uncarried.map(serializeProblem), tools.io.width)}`,
          );
        }
        return 0;
      }),
    );
};
