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
  const brought = new Brought();
  const headEnd = Math.max(markup.text.search(/<\/head\s*>|<body[\s>]/i), 0);
  const places = placesOf(page, isForeign, loaders);
  const all = new Set(places);
  const taken = new Set<MarkupElement>();
  const regions = places.map((element): Region => {
    const outer = boxAround(element);
    const run = runAround(page, outer, taken, all);
    const region = { element, pieces: [{ start: run[0]!.start, end: run.at(-1)!.end }] };
    for (const node of run) {
      taken.add(node);
      brought.add(region, node);
    }
    return region;
  });
  // Scripts that stand elsewhere go with the places that bear their provider's name, or that they look for:
  // one that serves several is in the code of each.
  for (const [element, own] of servedBy(loaders, regions)) {
    taken.add(element);
    for (const region of own) {
      if (brought.has(region, element)) continue;
      region.pieces.push({ start: element.start, end: element.end });
      brought.add(region, element);
    }
  }
  giveToCopies(regions, loaders, brought);
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

/* The scripts in the codes of regions, by what makes them the same: their address, else themselves. */
class Brought {
  readonly #byRegion = new Map<Region, Map<string | MarkupElement, MarkupElement>>();

  add(region: Region, script: MarkupElement): void {
    const own = this.of(region);
    if (script.name === 'script') own.set(scriptAddress(script) ?? script, script);
    this.#byRegion.set(region, own);
  }

  has(region: Region, script: MarkupElement): boolean {
    return this.of(region).has(scriptAddress(script) ?? script);
  }

  of(region: Region): Map<string | MarkupElement, MarkupElement> {
    return this.#byRegion.get(region) ?? new Map<string | MarkupElement, MarkupElement>();
  }
}

/* A script that stands beside one of several places that are alike is for each of them. */
function giveToCopies(regions: readonly Region[], loaders: readonly Loader[], brought: Brought): void {
  const known = new Set(loaders.flatMap(({ element }) => (carriesOwnNumber(element) ? [] : [element])));
  const first = new Map<string, MarkupElement[]>();
  const ownOf = (region: Region): MarkupElement[] =>
    [...brought.of(region).values()].filter((script) => known.has(script));
  for (const region of regions) {
    const signature = signatureOf(region.element);
    const own = signature === null || first.has(signature) ? [] : ownOf(region);
    if (own.length > 0) first.set(signature!, own);
  }
  const scripts = new Set(loaders.map(({ element }) => element));
  for (const region of regions) {
    if ([...brought.of(region).values()].some((script) => scripts.has(script))) continue;
    for (const { start, end } of first.get(signatureOf(region.element) ?? '') ?? [])
      region.pieces.push({ start, end });
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
  // A script that is brought again is for the places of the first.
  const known = new Map<string, MarkupElement>();
  for (const loader of loaders) {
    const address = scriptAddress(loader.element);
    const same = address === null ? undefined : known.get(address);
    if (address !== null && !same) known.set(address, loader.element);
    const again = same && served.get(same);
    if (same) {
      if (again) served.set(loader.element, again);
      continue;
    }
    const own = regions.filter(({ element }) => serves(loader, element));
    if (own.length === 0) continue;
    for (const by of [loader.element, ...(loader.calledBy ? [loader.calledBy] : [])]) addAll(served, by, own);
  }
  return served;
}

function addAll(served: Map<MarkupElement, Set<Region>>, by: MarkupElement, own: readonly Region[]): void {
  const all = served.get(by) ?? new Set<Region>();
  for (const region of own) all.add(region);
  served.set(by, all);
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
