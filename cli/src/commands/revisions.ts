import { everyItem, optionsLine, type Comparison, type Revision, plural } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { formatTimestamp, table, type Colours } from '../text.ts';
import { describeEmbed } from './collect.ts';

export const addRevisions: AddCommand = (program, run) => {
  addList(program, run);
  addCompare(program, run);
  addBringBack(program, run);
  addDuplicate(program, run);
};

const addList: AddCommand = (program, run) => {
  program
    .command('revisions')
    .argument('<embed>', 'the key of an embed')
    .description('show every state that an embed was saved in, newest first')
    .addHelpText('after', '\nExample:\n  orbis revisions opening-talk')
    .action((embed: string) =>
      run(async (tools) => {
        const items: Revision[] = [];
        const page = async (after: string | undefined) =>
          (await tools.client().call('revisions.list', { params: { embed }, query: { limit: 200, after } }))
            .data;
        for await (const revision of everyItem(page)) items.push(revision);
        const next =
          items.length > 1
            ? `\n“orbis compare ${embed} 1 ${items[0]!.number}” shows what differs; “orbis bring-back ${embed} 1” brings the first one back.\n`
            : '';
        tools.tell(
          items,
          () => table(['revision', 'saved', 'code', 'why', 'options'], items.map(row), tools.colours) + next,
        );
        return 0;
      }),
    );
};

const addCompare: AddCommand = (program, run) => {
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

const addBringBack: AddCommand = (program, run) => {
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
        tools.tell(data, () => {
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

const addDuplicate: AddCommand = (program, run) => {
  program
    .command('duplicate')
    .argument('<embed>', 'the key of an embed')
    .requiredOption('--name <name>', 'what to call the copy')
    .description('make another embed of the same code, options, notes and tags; it is placed nowhere')
    .addHelpText(
      'after',
      '\nExample:\n  orbis duplicate opening-talk --name "Opening talk, for the home page"',
    )
    .action((embed: string, { name }: { name: string }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('embeds.duplicate', { params: { embed }, body: { name } });
        tools.tell(
          data,
          () =>
            `Made ${tools.colours.bold(data.key)}, a copy of ${embed}.\n\n${describeEmbed(data, tools.colours)}`,
        );
        return 0;
      }),
    );
};

const row = (revision: Revision): string[] => [
  String(revision.number),
  formatTimestamp(revision.createdAt),
  String(revision.source),
  revision.reason,
  optionsLine(revision.options) || 'none',
];

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

/** A text with what is gone and what is new in it, told apart without colours too. */
export const formatRuns = (runs: Comparison['runs'], colours: Colours): string =>
  runs
    .map(({ kind, text }) =>
      kind === 'same' ? text : kind === 'gone' ? colours.red(`[-${text}-]`) : colours.green(`{+${text}+}`),
    )
    .join('')
    .trim();
