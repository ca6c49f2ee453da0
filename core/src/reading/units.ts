import { attribute, type MarkupElement } from '../text/index.ts';
import { hostOf } from './addresses.ts';
import type { PartsRead } from './parts.ts';

/** What one of several embeds is: the element that is shown, or that a script fills. */
export interface Unit {
  element: MarkupElement;
  isMount: boolean;
  /** The top-level part that holds it; null where none does. */
  part: number | null;
  /** The parts that bring its program, where it can be told whose they are. */
  loaders: number[];
}

const pictures = new Set(['img', 'picture']);

/**
 * The embeds that stand side by side in a code, in the order of the text: each main element but pictures, and
 * each place that a script fills. A place beside a frame is one of its own where it carries what a script
 * reads, or where somebody else fills it.
 */
export function unitsOf(read: PartsRead, mains: readonly MarkupElement[]): Unit[] {
  // Most codes have one, and nothing else that could be one.
  if (mains.length < 2 && !hasOtherMount(read, mains[0]))
    return mains.map((element) => shownIn(element, read));
  const shown = mains.length > 1 ? mains.filter(({ name }) => !pictures.has(name)) : [...mains];
  const tops = topsOf(read);
  const places =
    mains.length > 0 && pictures.has(mains[0]!.name)
      ? []
      : mountsIn(read, tops).filter(({ element }) => !shown.includes(element));
  const mounts = mains.length === 0 ? places : places.filter(isFilledByOthers(read, shown));
  const units = [...shown.map((element) => shownIn(element, read)), ...mounts].sort(
    (a, b) => a.element.start - b.element.start,
  );
  if (units.length > 1 && mounts.length > 0) giveLoaders(units, read);
  return units;
}

function hasOtherMount({ parts, elements }: PartsRead, main: MarkupElement | undefined): boolean {
  let others = 0;
  for (let i = 0; i < parts.length; i++) if (parts[i]!.role === 'mount' && elements[i] !== main) others++;
  return others > (main === undefined ? 1 : 0);
}

/* Each part's top-level part, or null where something else than a box is around it. */
function topsOf({ parts }: PartsRead): (number | null)[] {
  const tops: (number | null)[] = [];
  for (const [i, { inside }] of parts.entries())
    tops.push(inside === null ? i : parts[inside]!.role === 'wrapper' ? tops[inside]! : null);
  return tops;
}

const mountsIn = ({ parts, elements }: PartsRead, tops: readonly (number | null)[]): Unit[] =>
  parts.flatMap(({ role }, i) =>
    role === 'mount' && tops[i] !== null && elements[i]
      ? [{ element: elements[i], isMount: true, part: tops[i]!, loaders: [] }]
      : [],
  );

function shownIn(element: MarkupElement, { parts }: PartsRead): Unit {
  // The last top-level part that begins at or before it: they are in the order of the text.
  let [low, high] = [0, parts.length - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (parts[middle]!.start <= element.start) low = middle;
    else high = middle - 1;
  }
  let part: number | null = parts.length > 0 ? low : null;
  while (part !== null && parts[part]!.inside !== null) part = parts[part]!.inside;
  return { element, isMount: false, part, loaders: [] };
}

const isFilledByOthers = (
  { parts, elements }: PartsRead,
  shown: readonly MarkupElement[],
): ((place: Unit) => boolean) => {
  const own = new Set(
    shown.map((element) => ownerOf(attribute(element, 'src') ?? attribute(element, 'action'))),
  );
  const loaders = parts.flatMap(({ role }, i) =>
    role === 'loader' && elements[i]?.name === 'script' ? [ownerOf(attribute(elements[i], 'src'))] : [],
  );
  const others = loaders.some((owner) => !own.has(owner));
  return ({ element }) => {
    if (loaders.length === 0) return false;
    const hasData = element.attributes.names().some((name) => name.startsWith('data-'));
    return element.name.includes('-') || hasData || (others && element.attributes.has('class'));
  };
};

/* Whose host an address is on, as far as its last two labels tell. */
const ownerOf = (address: string | null): string =>
  (address === null ? null : hostOf(address))?.split('.').slice(-2).join('.') ?? '';

/* A script serves the places that are called as its host is; else those before it that have none yet, or else
   those that follow. */
function giveLoaders(units: readonly Unit[], { parts, elements }: PartsRead): void {
  const mounts = units.filter(({ isMount }) => isMount);
  let waiting: number[] = [];
  let pending: Unit[] = [];
  let next = 0;
  parts.forEach((part, i) => {
    for (; next < mounts.length && mounts[next]!.element.start <= part.start; next++) {
      mounts[next]!.loaders.push(...waiting);
      if (waiting.length === 0) pending.push(mounts[next]!);
    }
    if (part.role !== 'loader' || elements[i]?.name !== 'script') return;
    const called = calledAs(ownerOf(attribute(elements[i], 'src')).split('.')[0]!, mounts);
    if (called.length > 0) for (const unit of called) unit.loaders.push(i);
    else if (pending.length > 0) {
      for (const unit of pending) unit.loaders.push(i);
      [pending, waiting] = [[], []];
    } else if (waiting.length < mostWaiting) waiting.push(i);
  });
}

/* Nobody's code has more; the time must not grow with the square. */
const mostWaiting = 8;
const mostCalled = 100;
const shortestBrand = 4;

function calledAs(brand: string, mounts: readonly Unit[]): Unit[] {
  if (brand.length < shortestBrand || mounts.length > mostCalled) return [];
  return mounts.filter(({ element }) =>
    [
      element.name,
      attribute(element, 'class') ?? '',
      attribute(element, 'id') ?? '',
      ...element.attributes.names(),
    ].some((name) => name.toLowerCase().includes(brand)),
  );
}
