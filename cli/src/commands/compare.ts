import { plural, type Comparison } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { describeEmbed } from '../describe/embed.ts';
import { formatRuns } from '../describe/runs.ts';
import { table, type Colours } from '../text.ts';

export const addCompare: AddCommand = (program, run) => {
  program
    .command('compare')
    .argument('<embed>', 'the key of an embed')
    .argument('<from>', 'the number of a revision')
    .argument('<to>', 'the number of another')
    .description('show what differs between two revisions: the options, and the code as it goes out')
    .addHelpText(
      'after',
      '\nExample:\n  orbis compare opening-talk 1 3\n\nExit status: 0 nothing differs, 1 something does.',
    )
    .action((embed: string, from: string, to: string) =>
      run(async (tools) => {
        const { data } = await tools
          .client()
          .call('revisions.compare', { params: { embed }, query: { from, to } });
        tools.tell(data, () => formatComparison(data, tools.colours));
        return differs(data) ? 1 : 0;
      }),
    );
};

export const addBringBack: AddCommand = (program, run) => {
  program
    .command('bring-back')
    .argument('<embed>', 'the key of an embed')
    .argument('<revision>', 'the number of an earlier revision')
    .description('make a new revision equal to an earlier one, with the code that it was made of')
    .addHelpText('after', '\nExample:\n  orbis bring-back opening-talk 2')
    .action((embed: string, revision: string) =>
      run(async (tools) => {
        const client = tools.client();
        const before = await client.call('embeds.read', { params: { embed } });
        const { data, status } = await client.call('revisions.restore', {
          params: { embed, revision },
          ifMatch: before.etag ?? '',
          body: {},
        });
        tools.confirm(data, () => {
          if (status === 200) return `Nothing differs: ${data.key} is as it was in revision ${revision}.\n`;
          const register =
            data.placements > 0
              ? `\n${plural(data.placements, 'placement')} of it may carry another code now: “orbis where ${data.key}” tells.\n`
              : '';
          return `Revision ${data.revision} of ${tools.colours.bold(data.key)} is revision ${revision} again.\n\n${describeEmbed(data, tools.colours)}${register}`;
        });
        return 0;
      }),
    );
};

const differs = ({ options, sourceDiffers }: Comparison): boolean => options.length > 0 || sourceDiffers;

/**
 * What differs between two revisions, as people read it: what is gone in brackets with a minus,
 * what is new with a plus.
 */
function formatComparison(comparison: Comparison, colours: Colours): string {
  if (!differs(comparison))
    return `Nothing differs between revisions ${comparison.from.number} and ${comparison.to.number}.\n`;
  const rows = comparison.options.map(({ option, from, to }) => [option, from ?? 'not set', to ?? 'not set']);
  const options =
    rows.length > 0
      ? `${table(['option', `revision ${comparison.from.number}`, `revision ${comparison.to.number}`], rows, colours)}\n`
      : '';
  const code = comparison.sourceDiffers ? 'They are made of different codes of the provider.\n\n' : '';
  return `${options}${code}${formatRuns(comparison.runs, colours)}\n`;
}
