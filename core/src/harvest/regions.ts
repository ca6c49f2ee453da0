import { attribute, type Markup, type MarkupElement } from '../text/index.ts';
import { readInner } from '../reading/inner.ts';
import { carriesOwnNumber } from '../reading/parts.ts';
import type { IsForeign } from './foreign.ts';
import { loadersOf, scriptAddress, type Loader } from './loaders.ts';
import { placesOf, signatureOf } from './places.ts';
import { Siblings } from './siblings.ts';
import { bearsName, onlyHelps } from './signs.ts';

/**
 * Where an embed stands on a page: the element that it is about, and the pieces of
 * the page that belong to it.
 */
export interface Region {
  element: MarkupElement;
  pieces: { start: number; end: number }[];
}

/** The places of embeds on a page, in its order, each with the pieces of page that belong to it. */
export function regionsOf(markup: Markup, isForeign: IsForeign): Region[] {
  const inner = readInner(markup);
  const page = new Siblings(markup, isForeign);
  const loaders = loadersOf(markup, isForeign, inner.factsOf);
  const brings = bringsIn(loaders);
  const headEnd = Math.max(markup.text.search(/<\/head\s*>|<body[\s>]/i), 0);
  const places = placesOf(page, isForeign, loaders);
  const all = new Set(places);
  const taken = new Set<MarkupElement>();
  const regions = places.map((element): Region => {
    const outer = boxAround(element);
    const run = runAround(page, outer, taken, all);
    run.forEach((node) => taken.add(node));
    return { element, pieces: [{ start: run[0]!.start, end: run.at(-1)!.end }] };
  });
  // Scripts that stand elsewhere go with the places that bear their provider's name, or that they look for:
  // one that serves several is in the code of each.
  for (const [element, own] of servedBy(loaders, regions)) {
    for (const region of own)
      if (!brings(region, element)) region.pieces.push({ start: element.start, end: element.end });
    taken.add(element);
  }
  giveToCopies(regions, loaders);
  for (const loader of loaders) {
    const { element } = loader;
    // What shows something by itself stands where it shows it; in the head there is nothing to see.
    if (taken.has(element) || element.end <= headEnd || !showsItself(page, loader)) continue;
    const run = runAround(page, element, taken, all);
    run.forEach((node) => taken.add(node));
    regions.push({ element, pieces: [{ start: run[0]!.start, end: run.at(-1)!.end }] });
  }
  return regions.sort((a, b) => a.pieces[0]!.start - b.pieces[0]!.start);
}

/* Whether a region has a loader already, or another one with the same address. */
function bringsIn(loaders: readonly Loader[]): (region: Region, loader: MarkupElement) => boolean {
  const alike = new Map<string, MarkupElement[]>();
  for (const { element } of loaders) {
    const address = scriptAddress(element);
    if (address !== null) alike.set(address, [...(alike.get(address) ?? []), element]);
  }
  return ({ pieces }, loader) =>
    (alike.get(scriptAddress(loader) ?? '') ?? [loader]).some((element) =>
      pieces.some(({ start, end }) => start <= element.start && element.end <= end),
    );
}

/* A script that stands beside one of several places that are alike is for each of them. */
function giveToCopies(regions: readonly Region[], loaders: readonly Loader[]): void {
  const has = ({ pieces }: Region, { element }: Loader): boolean =>
    pieces.some(({ start, end }) => start <= element.start && element.end <= end);
  const brought = loaders.filter(({ element }) => element.name === 'script' && !carriesOwnNumber(element));
  const first = new Map<string, Loader[]>();
  for (const region of regions) {
    const signature = signatureOf(region.element);
    const own =
      signature === null || first.has(signature) ? [] : brought.filter((loader) => has(region, loader));
    if (own.length > 0) first.set(signature!, own);
  }
  for (const region of regions) {
    if (loaders.some((loader) => loader.element.name === 'script' && has(region, loader))) continue;
    for (const { element } of first.get(signatureOf(region.element) ?? '') ?? [])
      region.pieces.push({ start: element.start, end: element.end });
  }
}

/* Parts of a page that are about the page itself. */
const aboutPage = new Set(['header', 'footer', 'nav']);

/* Whether a script of somebody else stands where something is to be seen: among the content, and not where
   pages bring what they measure and load with. */
function showsItself(page: Siblings, { element, facts, calledBy }: Loader): boolean {
  if (element.name === 'link' || calledBy) return false;
  const address = scriptAddress(element);
  if (onlyHelps(element, address === null ? (facts?.addresses.map(({ url }) => url) ?? []) : [address]))
    return false;
  let outer: MarkupElement = element;
  let isAside = false;
  for (let at = element.parent; at; at = at.parent) {
    isAside ||= aboutPage.has(at.name);
    outer = at;
  }
  // In the foot of a page, or at its end, only what carries a number of its own and has words before it.
  if (isAside || (outer === element && !page.isAmongContent(element)))
    return carriesOwnNumber(element) && page.hasWordsBefore(element);
  return true;
}

/* The places that each loader is for; what calls a script of the page is for the places that this fills. */
function servedBy(loaders: readonly Loader[], regions: readonly Region[]): Map<MarkupElement, Set<Region>> {
  const served = new Map<MarkupElement, Set<Region>>();
  for (const loader of loaders) {
    const own = regions.filter(({ element }) => serves(loader, element));
    if (own.length === 0) continue;
    for (const by of [loader.element, ...(loader.calledBy ? [loader.calledBy] : [])])
      served.set(by, new Set([...(served.get(by) ?? []), ...own]));
  }
  return served;
}

/* The provider's own box: it holds nothing else, and its style holds a shape; or it carries the mark. */
function boxAround(element: MarkupElement): MarkupElement {
  let outer = element;
  for (let at = element.parent; at; at = at.parent) {
    if (at.attributes.has('data-orbis')) return at;
    const alone = at.children.every(
      (child) =>
        child === outer || child.kind === 'comment' || (child.kind === 'text' && child.value.trim() === ''),
    );
    if (
      !alone ||
      !/padding(?:-top|-bottom)?\s?:[^;]{0,20}%|aspect-ratio|position\s?:\s?relative/i.test(
        attribute(at, 'style') ?? '',
      )
    )
      break;
    outer = at;
  }
  return outer;
}

/* The element with the machinery that stands right beside it, as far as no other place has it. */
const runAround = (
  page: Siblings,
  element: MarkupElement,
  taken: ReadonlySet<MarkupElement>,
  places: ReadonlySet<MarkupElement>,
): MarkupElement[] =>
  page.run(element).filter((other) => other === element || (!taken.has(other) && !places.has(other)));

/* Whether a loader that stands elsewhere is for this place. */
function serves({ names, facts }: Loader, element: MarkupElement): boolean {
  if (bearsName(element, names)) return true;
  const id = attribute(element, 'id');
  return (
    facts !== null &&
    ((id !== null && facts.ids.includes(id)) ||
      (attribute(element, 'class') ?? '').split(/\s+/).some((name) => facts.classes.includes(name)))
  );
}
