import { spoken, type Placement } from '@orbis/contract';
import type { AddCommand } from '../command.ts';
import { formatTimestamp, table } from '../text.ts';
import { colourState } from '../describe/state.ts';
import { formatRevision } from '../things/placement.ts';
import { placementsOf } from '../things/placements-of.ts';

const reachOf = (items: readonly Placement[]) => ({
  placements: items.length,
  pages: new Set(items.map(({ page }) => page)).size,
  sites: new Set(items.map(({ site }) => site)).size,
});

export const addWhere: AddCommand = (program, run) => {
  program
    .command('where')
    .argument('<embed>', 'the key of an embed')
    .description('say in which pages and spots it is, at which revision, and when it was last seen')
    .addHelpText(
      'after',
      '\nExample:\n  orbis where opening-talk\n\nExit status: 0 all of it is live, 1 something needs attention.',
    )
    .action((embed: string) =>
      run(async (tools) => {
        const client = tools.client();
        const { data } = await client.call('embeds.read', { params: { embed } });
        const items = await placementsOf(client, { embed });
        const rows = (): string[][] =>
          items.map((p) => [
            p.place,
            colourState(p.state, tools.colours),
            formatRevision(p),
            formatTimestamp(p.lastSeenAt),
            p.url,
          ]);
        tools.tell(items, () =>
          items.length === 0
            ? `${data.name} is not placed anywhere. “orbis place ${embed} SITE/PATH#SPOT” places it.\n`
            : `${tools.colours.bold(data.name)}, newest revision ${data.revision}, in ${spoken.reach(reachOf(items), Infinity)}\n\n${table(['place', 'state', 'revision', 'last seen', 'page'], rows(), tools.colours)}`,
        );
        return items.some((p) => p.state !== 'live' && p.state !== 'planned') ? 1 : 0;
      }),
    );
};
