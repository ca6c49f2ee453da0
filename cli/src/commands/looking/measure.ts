import { formatHeights } from '@orbis/core';
import type { Measurement } from '@orbis/contract';
import type { AddCommand } from '../../command.ts';
import { fold, table } from '../../text.ts';
import { saveOptions } from './saving.ts';
import { embedArgument, subjectOf } from './subject.ts';

export const addMeasure: AddCommand = (program, run) => {
  program
    .command('measure')
    .argument(...embedArgument)
    .option('--on <page>', 'in a published page of yours, with its fonts and styles')
    .option('--dry-run', 'only say the heights, and save nothing')
    .description(
      'measure how high an embed is at five widths, and keep that room free; needs Chromium where Orbis runs',
    )
    .addHelpText(
      'after',
      '\nExamples:\n  orbis measure newsletter-form\n  orbis measure newsletter-form --on hollinfell/newsletter\n  orbis measure newsletter-form --dry-run --json\n\nThe heights are kept as the option “heights”, with their day; “orbis unset newsletter-form heights” takes them back.\nWhere it cannot be measured, its provider’s sheet may guess, which is said.\nExit status: 0 done, 1 it has no height that could be told.',
    )
    .action((embed: string, { dryRun = false, on }: { dryRun?: boolean; on?: string }) =>
      run(async (tools) => {
        const client = tools.client();
        const subject = await subjectOf(embed, client);
        const { data } = await client.call('measurements.create', {
          body: { ...subject, ...(on !== undefined && { on: { page: on } }) },
        });
        if (data.unknown !== null) {
          tools.tell(data, () => fold(data.unknown!, tools.io.width, ''));
          return 1;
        }
        const saved = dryRun
          ? null
          : await saveOptions(
              subject,
              (now) => ({ ...now, heights: heightsOf(data) }),
              data.guess === null ? 'Its height was measured' : 'Its height was guessed',
              client,
            );
        tools.confirm(
          data,
          () =>
            table(
              ['width', 'height'],
              data.heights.map(({ width, height }) => [`${width} px`, `${height} px`]),
              tools.colours,
            ) +
            (data.guess === null ? '' : `\n${fold(data.guess, tools.io.width, '')}`) +
            (saved === null ? '' : `\n${saved} So much room is kept free, and nothing jumps.\n`),
        );
        return 0;
      }),
    );
};

const heightsOf = ({ heights, guess, at }: Measurement): string =>
  formatHeights({ at: heights, measured: guess === null ? at.slice(0, 10) : null });
