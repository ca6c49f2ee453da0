import type { Markup } from '../text/index.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { sheetFor, within } from './embeds.ts';
import type { Inner } from './inner.ts';
import { kindOf } from './kind/index.ts';
import type { PartsRead } from './parts.ts';
import type { ReadAddress, Reading } from './reading.ts';
import { sizeOf } from './size.ts';
import type { Unit } from './units.ts';

type Told = Pick<Reading, 'kind' | 'kindReasons' | 'evidence'>;

/** The embeds of a code that has several, and what is told of the first. */
export interface SeveralEmbeds {
  embeds: Reading['embeds'];
  first: Told;
  sheet: Sheet | null;
}

/**
 * Describes each of several embeds by what is in it, and by the scripts that are its own. What serves all of
 * them is in the first.
 *
 * @param whole - the kind of the code as a whole: what a place is called that says nothing of itself.
 */
export function describeEach(
  units: readonly Unit[],
  markup: Markup,
  read: PartsRead,
  addresses: readonly ReadAddress[],
  inner: Inner,
  sheets: readonly Sheet[],
  whole: () => Told,
): SeveralEmbeds {
  const own = ownLoaders(units);
  const owned = new Set(units.flatMap((unit) => [...(unit.part === null ? [] : [unit.part]), ...own(unit)]));
  const shared = read.parts.flatMap(({ inside, role }, i) =>
    inside === null && role !== 'text' && role !== 'comment' && !owned.has(i) ? [i] : [],
  );
  const isAlike = units.every(
    ({ isMount, loaders }) => isMount && loaders.join() === units[0]!.loaders.join(),
  );
  let ofAll: Told | null = null;
  const byPart = new Map<number, ReadAddress[]>();
  for (const address of addresses)
    if (address.use === 'script') byPart.set(address.part, [...(byPart.get(address.part) ?? []), address]);
  // Everything is in the order of the text: one walk along each list finds what belongs to each.
  let [a, e] = [0, 0];
  const told = units.map((unit, n) => {
    const { element, part } = unit;
    while (a < addresses.length && addresses[a]!.start < element.start) a++;
    while (e < markup.elements.length && markup.elements[e]!.start < element.start) e++;
    const inside = within(element, markup, addresses, e, a);
    const brought = unit.loaders.flatMap((loader) => byPart.get(loader) ?? []);
    const about = [...inside.addresses, ...brought];
    const sheet = sheetFor(about, inside.elements, sheets);
    const main = unit.isMount && element.name !== 'blockquote' ? null : element;
    const alone = kindOf({ ...markup, elements: inside.elements }, main, about, sheet);
    const is = alone.kind === 'unknown' && isAlike ? (ofAll ??= whole()) : alone;
    const parts = [...(part === null ? [] : [part]), ...own(unit), ...(n === 0 ? shared : [])];
    return {
      is,
      sheet,
      embed: {
        kind: is.kind,
        provider: sheet?.id ?? null,
        parts: [...new Set(parts)].sort((x, y) => x - y),
        size: sizeOf(markup, element, inner.styles),
      },
    };
  });
  return { embeds: told.map(({ embed }) => embed), first: told[0]!.is, sheet: told[0]!.sheet };
}

/* The loaders of a unit that no other has as well. */
function ownLoaders(units: readonly Unit[]): (unit: Unit) => number[] {
  const times = new Map<number, number>();
  for (const { loaders } of units)
    for (const loader of loaders) times.set(loader, (times.get(loader) ?? 0) + 1);
  return ({ loaders }) => loaders.filter((loader) => times.get(loader) === 1);
}
