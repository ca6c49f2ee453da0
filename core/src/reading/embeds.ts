import type { Markup, MarkupElement } from '../text/index.ts';
import { sheetOfFrame, sheetOfLoader, sheetOfMount } from '../sheets/match.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { Inner } from './inner.ts';
import { kindOf } from './kind/index.ts';
import type { PartsRead } from './parts.ts';
import type { ReadAddress, Reading } from './reading.ts';
import { noSize, sizeOf } from './size.ts';

/* What codes are about, by rank: where there is a frame, a player or a form, pictures are beside it. */
const rankOf = new Map<string, number>(
  [
    ['iframe', 'video', 'audio', 'object', 'embed', 'frame', 'form'],
    ['blockquote'],
    ['img', 'picture'],
  ].flatMap((names, rank) => names.map((name) => [name, rank] as const)),
);
const beside = new Set(['noscript', 'object', 'video', 'audio', 'picture', 'blockquote', 'template']);

/** The elements that a code is about, in the order of the text. */
export function mainElements(markup: Markup): MarkupElement[] {
  let best = rankOf.size;
  let found: MarkupElement[] = [];
  for (const element of markup.elements) {
    const rank = rankOf.get(element.name);
    if (rank === undefined || rank > best || !stands(element)) continue;
    if (rank < best) found = [];
    best = rank;
    found.push(element);
  }
  return found;
}

/* Not inside what stands for something else. */
function stands(element: MarkupElement): boolean {
  for (let at = element.parent; at; at = at.parent) if (beside.has(at.name)) return false;
  return true;
}

/** The sheet of the first frame, script or element that one knows. */
export function sheetFor(
  addresses: readonly ReadAddress[],
  elements: readonly MarkupElement[],
  sheets: readonly Sheet[],
): Sheet | null {
  for (const { use, url } of addresses) {
    const sheet =
      use === 'frame' ? sheetOfFrame(url, sheets) : use === 'script' ? sheetOfLoader(url, sheets) : null;
    if (sheet) return sheet;
  }
  if (!sheets.some(({ mounts }) => mounts)) return null;
  for (const element of elements) {
    const sheet =
      element.attributes.size > 0 || element.name.includes('-') ? sheetOfMount(element, sheets) : null;
    if (sheet) return sheet;
  }
  return null;
}

/**
 * The embeds of a code: each main element is one of its own; of mounts, each that is alone in its kind. What
 * serves all of them is in the first.
 */
export function embedsOf(
  reading: Reading,
  markup: Markup,
  read: PartsRead,
  mains: readonly MarkupElement[],
  inner: Inner,
  sheets: readonly Sheet[],
): Reading['embeds'] {
  const { parts } = read;
  const top: number[] = [];
  for (let i = 0; i < parts.length; i++) {
    const { inside, role } = parts[i]!;
    if (inside === null && role !== 'text' && role !== 'comment') top.push(i);
  }
  const separate =
    mains.length > 1
      ? mains.filter((element) => element.name !== 'img' && element.name !== 'picture')
      : mains;
  if (separate.length > 1) return separately(reading, markup, read, separate, top, inner, sheets);
  const mounts = mains.length > 0 ? [] : top.filter((i) => parts[i]!.role === 'mount');
  if (mounts.length > 1) return byMounts(reading, markup, read, mounts, top, inner);
  return top.length > 0
    ? [{ kind: reading.kind, provider: reading.provider?.id ?? null, parts: top, size: reading.size }]
    : [];
}

/** What is inside an element: elements and addresses, from these places in their lists on. */
export function within(
  main: MarkupElement,
  markup: Markup,
  all: readonly ReadAddress[],
  fromElement = 0,
  fromAddress = 0,
): { elements: MarkupElement[]; addresses: ReadAddress[] } {
  const elements: MarkupElement[] = [];
  for (let i = fromElement; i < markup.elements.length && markup.elements[i]!.start < main.end; i++)
    if (markup.elements[i]!.start >= main.start) elements.push(markup.elements[i]!);
  const addresses: ReadAddress[] = [];
  for (let i = fromAddress; i < all.length && all[i]!.end <= main.end; i++)
    if (all[i]!.start >= main.start) addresses.push(all[i]!);
  return { elements, addresses };
}

function byMounts(
  reading: Reading,
  markup: Markup,
  { parts, elements }: PartsRead,
  mounts: readonly number[],
  top: readonly number[],
  inner: Inner,
): Reading['embeds'] {
  return mounts.map((mount, n) => ({
    kind: reading.kind,
    provider: reading.provider?.id ?? null,
    parts: n === 0 ? top.filter((i) => i === mount || parts[i]!.role !== 'mount') : [mount],
    size: elements[mount] ? sizeOf(markup, elements[mount], inner.styles) : noSize,
  }));
}

function separately(
  reading: Reading,
  markup: Markup,
  { parts }: PartsRead,
  mains: readonly MarkupElement[],
  top: readonly number[],
  inner: Inner,
  sheets: readonly Sheet[],
): Reading['embeds'] {
  // Everything here is in the order of the text: one walk along each list finds what belongs to each element.
  let [t, a, e] = [0, 0, 0];
  const owners = mains.map((main): number | null => {
    while (t < top.length && parts[top[t]!]!.end <= main.start) t++;
    const last = top[t];
    return last !== undefined && parts[last]!.start <= main.start ? last : null;
  });
  const spoken = new Set(owners);
  return mains.map((main, n) => {
    const held = owners[n] ?? null;
    while (a < reading.addresses.length && reading.addresses[a]!.start < main.start) a++;
    while (e < markup.elements.length && markup.elements[e]!.start < main.start) e++;
    const { elements, addresses } = within(main, markup, reading.addresses, e, a);
    const sheet = sheetFor(addresses, elements, sheets);
    return {
      kind: kindOf({ ...markup, elements }, main, addresses, sheet).kind,
      provider: sheet?.id ?? null,
      parts: [...(held === null ? [] : [held]), ...(n === 0 ? top.filter((i) => !spoken.has(i)) : [])].sort(
        (x, y) => x - y,
      ),
      size: sizeOf(markup, main, inner.styles),
    };
  });
}
