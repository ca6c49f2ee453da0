import { plural } from '@orbis/contract';
import { compareTexts } from '@orbis/core';
import type { AddCommand } from '../command.ts';
import { describeEmbed } from '../describe/embed.ts';
import { formatRuns } from '../describe/runs.ts';
import { pasted } from '../pasted.ts';

interface Options {
  mend?: true | string[];
  dropUnfit?: boolean;
  anyway?: boolean;
}

export const addRenew: AddCommand = (program, run) => {
  program
    .command('renew')
    .argument('<embed>', 'the key of an embed')
    .argument('<what>', 'the newer code: a file, - for standard input, or a link')
    .option('--mend [rules...]', 'mend what Orbis can mend: everything, or the faults named')
    .option('--anyway', 'take it though it shows another item, or is of another kind or provider')
    .option('--drop-unfit', 'drop options that the newer code cannot fulfil')
    .description('paste the provider’s newer code into the same embed; options and placements stay')
    .addHelpText('after', '\nExample:\n  orbis renew opening-talk new-code.html')
    .action((embed: string, what: string, options: Options) =>
      run(async (tools) => {
        const text = await pasted(what, tools.io);
        const client = tools.client();
        const before = await client.call('embeds.read', { params: { embed } });
        const { data, status } = await client.call('sources.create', {
          params: { embed },
          ifMatch: before.etag ?? '',
          body: {
            text,
            mend: options.mend ?? false,
            dropUnfit: options.dropUnfit ?? false,
            anyway: options.anyway ?? false,
          },
        });
        tools.confirm(data, () => {
          if (status === 200) return `Nothing differs: ${data.key} has this code already.\n`;
          const register =
            data.placements > 0
              ? `${plural(data.placements, 'placement')} of it may carry an earlier code now: “orbis where ${data.key}” tells.\n`
              : '';
          return `${formatRuns(compareTexts(before.data.base, data.base), tools.colours)}\n\n${describeEmbed(data, tools.colours)}${register}`;
        });
        return data.reading.findings.some((finding) => finding.level === 'error') ? 1 : 0;
      }),
    );
};
