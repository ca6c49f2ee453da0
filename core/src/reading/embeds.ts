import type { Markup, MarkupElement } from '../text/index.ts';
import { isMountByName, sheetOfFrame, sheetOfLoader, sheetOfMount } from '../sheets/match.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { ReadAddress } from './reading.ts';

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
  // Another script than the sheet's may look for the same attribute.
  const isFilledByOthers = addresses.some(({ use }) => use === 'script');
  for (const element of elements) {
    if (element.attributes.size === 0 && !element.name.includes('-')) continue;
    const sheet = sheetOfMount(element, sheets);
    if (!sheet) continue;
    if (isMountByName(element, sheet) || !(isFilledByOthers || showing.has(element.name))) return sheet;
  }
  return null;
}

/* Elements that nobody fills. */
const showing = new Set(['iframe', 'script', 'form', 'img', 'video', 'audio', 'object', 'embed']);

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
