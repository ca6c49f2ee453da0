import type { Options, OptionLevel } from '@orbis/core';
import { spoken, formatOptions, type Composition, type Placement } from '@orbis/contract';
import type { Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { fold, table } from '../text.ts';
import { wayOut } from '../way-out.ts';
import { thePlacement } from '../things/the-placement.ts';

/** An embed at one of its places: `opening-talk@hollinfell/talks#main`. */
export interface Placed {
  embed: string;
  place: string;
}

/** The embed and the place that are meant, or null where no place is said. */
export function atPlace(text: string): Placed | null {
  const at = text.indexOf('@');
  return at < 0 ? null : { embed: text.slice(0, at), place: text.slice(at + 1) };
}

/** Changes what is asked of an embed at one place only. */
export async function changePlaced(
  { embed, place }: Placed,
  tools: Tools,
  change: (now: Options) => Options,
): Promise<Exit> {
  const client = tools.client();
  const { id: placement } = await thePlacement(client, embed, place);
  const before = await client.call('placements.read', { params: { placement } });
  const { data } = await client.call('placements.change', {
    params: { placement },
    body: { options: change(before.data.options) },
    ifMatch: before.etag ?? '',
  });
  const { data: composition } = await client.call('compositions.create', {
    body: { placement, options: data.options },
  });
  tools.tell({ ...data, composition }, () => describePlaced(data, composition, tools));
  return 0;
}

/** How an embed is at one place: every value, and where it comes from. */
export async function showPlaced({ embed, place }: Placed, tools: Tools): Promise<Exit> {
  const client = tools.client();
  const { data } = await client.call('placements.read', {
    params: { placement: (await thePlacement(client, embed, place)).id },
  });
  const { data: composition } = await client.call('compositions.create', {
    body: { placement: data.id, options: data.options },
  });
  tools.tell({ ...data, composition }, () => describePlaced(data, composition, tools));
  return 0;
}

/** What is asked and does not reach the page as things are, and why. */
export const formatUncarried = (uncarried: Composition['uncarried'], width: number): string =>
  uncarried
    .map((each) =>
      fold(
        ['Not carried:', `${each.option}.`, each.detail, wayOut(each)].filter(Boolean).join(' '),
        width,
        '',
      ),
    )
    .join('');

function describePlaced(
  { embed, place }: Placement,
  { levels, overridden, passedOver, uncarried, effective }: Composition,
  { colours, io }: Tools,
): string {
  const from = (level: string): string => spoken.levels[level as OptionLevel];
  const rows = formatOptions(effective).map(({ name, value }) => {
    const over = overridden
      .filter(({ option }) => option === name)
      .map(({ value: other, level }) => `${other} ${from(level)}`);
    return [name, value, from(levels[name] ?? 'embed'), over.join(', ')];
  });
  const values =
    rows.length === 0
      ? 'Nothing is asked of it there: it goes out as it was pasted.\n'
      : table(['option', 'value', 'comes from', 'in the place of'], rows, colours);
  const without = passedOver
    .map(({ option, detail }) => fold(`Does without ${option} ${from('site')}: ${detail}`, io.width, ''))
    .join('');
  return `${colours.bold(embed)} in ${place}\n\n${values}${without}${formatUncarried(uncarried, io.width)}`;
}
