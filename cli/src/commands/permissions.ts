import type { Composition } from '@orbis/contract';
import { optionWords, spoken } from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { fold, table, type Colours } from '../text.ts';
import { embedArgument, subjectOf } from './looking/subject.ts';

export const addPermissions: AddCommand = (program, run) => {
  program
    .command('permissions')
    .argument(...embedArgument)
    .option('--document', 'print what stands in the file of frame=file, and nothing else')
    .description('how it stands on its page, and what its frame lets it do and why')
    .addHelpText(
      'after',
      `
Examples:
  orbis permissions newsletter-form
  orbis set newsletter-form frame=enclosed may-download=on`,
    )
    .action((embed: string, options: { document?: boolean }) =>
      run(async (tools) => {
        const client = tools.client();
        const { data } = await client.call('compositions.create', { body: await subjectOf(embed, client) });
        const { document, ...frame } = data.frame;
        if (options.document) {
          if (document === null)
            throw new UsedWrongly(`${embed} stands in no file: frame=file puts it there.`);
          tools.tell({ document }, () => document);
          return 0;
        }
        tools.tell({ ...frame, uncarried: data.uncarried }, () =>
          described(data, tools.io.width, tools.colours),
        );
        return 0;
      }),
    );
};

function described({ frame, uncarried }: Composition, width: number, colours: Colours): string {
  const { way, recommended, reasons, refused, powers } = frame;
  const called = (each: string): string => optionWords('frame').words?.[each] ?? each;
  const waits = uncarried.find(({ option }) => option === 'frame')?.detail;
  const lines = [
    waits ?? `Its frame: ${called(way)}. ${spoken.frameWays[way].gives} ${spoken.frameWays[way].costs}`,
    `Recommended: ${called(recommended)} (frame=${recommended}), as ${reasons.join('; ')}.`,
    ...[...new Set(refused.map(({ detail }) => detail))].map((detail) => {
      const ways = refused.filter((each) => each.detail === detail).map(({ way: each }) => called(each));
      return `Not possible: ${ways.join(', ')}. ${detail}`;
    }),
  ];
  const rows = powers.map(({ option, allowed, reason }) => [
    option,
    allowed ? 'yes' : 'no',
    optionWords(option).label,
    reason ?? '',
  ]);
  const heading =
    way === 'none'
      ? 'In the page itself it may do all that the page may. In a served frame it would:'
      : 'What its frame lets it do:';
  return (
    lines.map((line) => fold(line, width, '')).join('') +
    `\n${heading}\n` +
    table(['option', 'may', 'what', 'why'], rows, colours)
  );
}
