import { formatHits, type HitReport } from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { fold, table, type Colours } from '../text.ts';
import { atPlace } from './placed.ts';
import { thePlacement } from '../things/the-placement.ts';

export const addViews: AddCommand = (program, run) => {
  program
    .command('views')
    .argument('<embed>', 'an embed and its place: opening-talk@hollinfell/talks#main')
    .description('how often its served frame was shown in the last thirty days, and on which pages')
    .addHelpText(
      'after',
      `
Example:
  orbis views opening-talk@hollinfell/talks#main

Counted where Orbis serves it (frame=served, or its link), by day and by the page that browsers name: mostly
the site alone. A browser that has it keeps it for a minute. Nothing of visitors is kept.`,
    )
    .action((embed: string) =>
      run(async (tools) => {
        const at = atPlace(embed);
        if (at === null) throw new UsedWrongly(`Say at which place: ${embed}@SITE/PATH#SPOT.`);
        const client = tools.client();
        const { id } = await thePlacement(client, at.embed, at.place);
        const { data } = await client.call('placements.hits', { params: { placement: id } });
        tools.tell(data, () => described(data, tools.io.width, tools.colours));
        return 0;
      }),
    );
};

function described(report: HitReport, width: number, colours: Colours): string {
  const said = fold(formatHits(report), width, '');
  if (report.times === 0) return said;
  const rows = report.pages.map(({ page, times, lastDay, registered }) => [
    page ?? 'not named',
    String(times),
    lastDay,
    registered === false ? 'not in the register' : '',
  ]);
  return `${said}\n${table(['at', 'times', 'last', ''], rows, colours)}`;
}
