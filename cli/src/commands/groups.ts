import { plural, type BodyInput, type GroupOutcome, type Routes } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { editLines } from '../describe/edits.ts';
import type { Exit } from '../io.ts';
import { fold } from '../text.ts';

export interface GroupOptions {
  where?: string;
  dryRun?: boolean;
  skipImpossible?: boolean;
}

/** Changes every embed that a search finds, or says what that would do. */
export async function changeAll(
  tools: Tools,
  { where, dryRun = false, skipImpossible = false }: GroupOptions & { where: string },
  change: Omit<BodyInput<Routes['changes.create']>, 'where'>,
): Promise<Exit> {
  const { data } = await tools
    .client()
    .call('changes.create', { body: { where, dryRun, skipImpossible, ...change } });
  if (dryRun || data.impossible.length > 0) tools.tell(data, () => describe(data, dryRun, tools));
  else tools.confirm(data, () => describe(data, dryRun, tools));
  return data.impossible.length > 0 ? 1 : 0;
}

function describe(
  { change, found, changed, same, impossible }: GroupOutcome,
  dryRun: boolean,
  { colours, io }: Tools,
): string {
  const each = changed.map(({ embed, placements, edits }) => {
    if (!edits)
      return `${colours.bold(embed)}${placements > 0 ? `, in ${plural(placements, 'place')}` : ''}\n`;
    const lines = editLines(edits, { colours, io });
    return `${colours.bold(embed)}${placements > 0 ? `, in ${plural(placements, 'place')}` : ''}\n${lines || '  goes out as it was pasted\n'}`;
  });
  const not = impossible.map(
    ({ embed, problems }) =>
      `${colours.bold(embed)} ${colours.yellow('cannot have it')}\n${problems.map(({ detail }) => fold(detail, io.width, '  ')).join('')}`,
  );
  const rest = [
    same > 0 ? `${plural(same, 'embed')} ${same === 1 ? 'has' : 'have'} it already` : '',
    impossible.length > 0 ? `${plural(impossible.length, 'embed')} cannot have it` : '',
  ].filter(Boolean);
  const done =
    change === null
      ? dryRun
        ? `${plural(changed.length, 'embed')} of ${found} would be changed. Nothing was done.`
        : 'Nothing differs.'
      : `${plural(changed.length, 'embed')} of ${found} changed, as one change (${change.id}). “orbis undo” takes it back.`;
  return `${[...(dryRun || changed.length <= 20 ? each : []), ...not].join('\n')}${each.length + not.length > 0 ? '\n' : ''}${done}${rest.length > 0 ? ` ${rest.join('; ')}.` : ''}\n`;
}
