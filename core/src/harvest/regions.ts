import { attribute, type Markup, type MarkupElement, type MarkupNode } from '../text/index.ts';
import { readInner } from '../reading/inner.ts';
import { shownAddress, type IsForeign } from './foreign.ts';
import { bearsName, isMachinery, loadersOf, type Loader } from './loaders.ts';

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
  // Scripts that stand elsewhere go with the places that bear their provider's name, or that they look for.
  const served = servedBy(loaders, regions);
  for (const { element } of loaders) {
    const own = taken.has(element) ? undefined : served.get(element);
    if (!own) continue;
    for (const { pieces } of own) pieces.push({ start: element.start, end: element.end });
    taken.add(element);
  }
  for (const { element } of loaders) {
    // What shows something by itself stands where it shows it; in the head there is nothing to see.
    if (taken.has(element) || element.name === 'link' || element.end <= headEnd) continue;
    const run = runAround(page, element, taken, all);
    run.forEach((node) => taken.add(node));
    regions.push({ element, pieces: [{ start: run[0]!.start, end: run.at(-1)!.end }] });
  }
  return regions.sort((a, b) => a.pieces[0]!.start - b.pieces[0]!.start);
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

const framing = new Set(['iframe', 'object', 'embed', 'video', 'audio']);
/* Inside these an element stands for something else, or nobody sees it. */
const covering = new Set(['noscript', 'template', 'object', 'video', 'audio']);

/** The elements that embeds are about: nothing inside another one. */
function placesOf(page: Siblings, isForeign: IsForeign, loaders: readonly Loader[]): MarkupElement[] {
  const names = [...new Set(loaders.flatMap((loader) => loader.names))];
  const found = new Set<MarkupElement>();
  const scripts = new Set(loaders.map((loader) => loader.element));
  const looked = {
    ids: new Set(loaders.flatMap(({ facts }) => facts?.ids ?? [])),
    classes: new Set(loaders.flatMap(({ facts }) => facts?.classes ?? [])),
  };
  for (const element of page.markup.elements) {
    if (isInside(element, (outer) => covering.has(outer.name) || found.has(outer))) continue;
    if (
      isPlace(element, isForeign, names, looked) ||
      (isFillable(element) && besideLoader(page, element, scripts, found))
    )
      found.add(element);
  }
  return [...found];
}

/* Elements that show something of their own wherever it comes from, and that show nothing. */
const alwaysPlaces = new Set(['iframe', 'video', 'audio']);
const unseen = new Set(['script', 'link', 'style', 'meta']);

function isPlace(
  element: MarkupElement,
  isForeign: IsForeign,
  names: readonly string[],
  looked: { ids: Set<string>; classes: Set<string> },
): boolean {
  if (alwaysPlaces.has(element.name)) return true;
  if (framing.has(element.name)) return isForeign(shownAddress(element) ?? firstSource(element));
  if (element.name === 'form') return isForeign(attribute(element, 'action'));
  if (unseen.has(element.name)) return false;
  const isNothingLooked = names.length === 0 && looked.ids.size === 0 && looked.classes.size === 0;
  if (isNothingLooked || !isFillable(element)) return false;
  const id = attribute(element, 'id');
  const classes = (attribute(element, 'class') ?? '').split(/\s+/);
  return (
    bearsName(element, names) ||
    (id !== null && looked.ids.has(id)) ||
    classes.some((name) => looked.classes.has(name))
  );
}

const firstSource = (element: MarkupElement): string | null => {
  const source = element.children.find(
    (child): child is MarkupElement => child.kind === 'element' && child.name === 'source',
  );
  return source ? attribute(source, 'src') : null;
};

/* What a script could fill: little or nothing of its own in it, or a quotation that it makes something of. */
const mostWords = 400;
function isFillable(element: MarkupElement): boolean {
  if (element.name.includes('-')) return true;
  const named =
    element.attributes.has('id') ||
    element.attributes.has('class') ||
    element.attributes.names().some((name) => name.startsWith('data-'));
  if (element.name === 'blockquote') return named || element.attributes.has('cite');
  if (!['div', 'span', 'section', 'p', 'a', 'figure', 'aside', 'ins', 'button'].includes(element.name))
    return false;
  return (
    named &&
    element.end - element.startTagEnd <= mostWords &&
    !holds(
      element,
      (inner) => framing.has(inner.name) || inner.name === 'form' || /^h[1-6]$/.test(inner.name),
    )
  );
}

const holds = (element: MarkupElement, wanted: (inner: MarkupElement) => boolean): boolean =>
  element.children.some((child) => child.kind === 'element' && (wanted(child) || holds(child, wanted)));

/* An empty element with nothing but blanks between it and a script of somebody else: as codes are pasted.
   What follows another place is that one's. */
function besideLoader(
  page: Siblings,
  element: MarkupElement,
  scripts: ReadonlySet<MarkupElement>,
  found: ReadonlySet<MarkupElement>,
): boolean {
  if (
    element.children.some(
      (child) => child.kind === 'element' || (child.kind === 'text' && child.value.trim() !== ''),
    ) &&
    element.name !== 'blockquote'
  )
    return false;
  const run = page.run(element);
  const own = run.indexOf(element);
  const before = page.contentBefore(run[0]!);
  const from = before?.kind === 'element' && found.has(before) ? own : 0;
  return run.slice(from).some((other) => scripts.has(other));
}

const isInside = (element: MarkupElement, wanted: (outer: MarkupElement) => boolean): boolean => {
  for (let at = element.parent; at; at = at.parent) if (wanted(at)) return true;
  return false;
};

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

/** What stands beside what. */
class Siblings {
  readonly markup: Markup;
  readonly #index = new Map<MarkupNode, number>();
  readonly #isForeign: IsForeign;

  constructor(markup: Markup, isForeign: IsForeign) {
    this.markup = markup;
    this.#isForeign = isForeign;
    markup.roots.forEach((node, i) => this.#index.set(node, i));
    for (const { children } of markup.elements) children.forEach((node, i) => this.#index.set(node, i));
  }

  /** The element and the machinery on both sides of it, with only blanks and remarks between. */
  run(element: MarkupElement): MarkupElement[] {
    const all = element.parent?.children ?? this.markup.roots;
    const run = [element];
    const walk = (step: 1 | -1): void => {
      for (let i = this.#index.get(element)! + step; i >= 0 && i < all.length; i += step) {
        const node = all[i]!;
        if (node.kind === 'comment' || (node.kind === 'text' && node.value.trim() === '')) continue;
        const next = step === 1 ? run.at(-1)! : run[0]!;
        if (node.kind !== 'element' || !isMachinery(node) || !this.#together(node, next)) return;
        // The site's own styles and scripts may stand between.
        if (this.#isOwn(node)) continue;
        if (step === 1) run.push(node);
        else run.unshift(node);
      }
    };
    walk(-1);
    walk(1);
    return run;
  }

  #isOwn(element: MarkupElement): boolean {
    const address = attribute(element, element.name === 'link' ? 'href' : 'src');
    return address !== null && !this.#isForeign(address);
  }

  /** What stands before an element, blanks and remarks aside. */
  contentBefore(element: MarkupElement): MarkupNode | null {
    const all = element.parent?.children ?? this.markup.roots;
    for (let i = this.#index.get(element)! - 1; i >= 0; i--) {
      const node = all[i]!;
      if (node.kind === 'element' || (node.kind === 'text' && node.value.trim() !== '')) return node;
    }
    return null;
  }

  /* The tags of `head` and `body` part what they stand between, though they are no elements here. */
  #together(a: MarkupElement, b: MarkupElement): boolean {
    const between =
      a.end <= b.start ? this.markup.text.slice(a.end, b.start) : this.markup.text.slice(b.end, a.start);
    return between === '' || !/<\/?(?:html|head|body)\b/i.test(between);
  }
}
