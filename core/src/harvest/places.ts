import { attribute, type MarkupElement } from '../text/index.ts';
import { isUnseen } from '../reading/unseen.ts';
import { shownAddress, type IsForeign } from './foreign.ts';
import type { Loader } from './loaders.ts';
import type { Siblings } from './siblings.ts';
import { bearsName, brandOf } from './signs.ts';

const framing = new Set(['iframe', 'object', 'embed', 'video', 'audio']);
/* Inside these an element stands for something else, or nobody sees it. */
const covering = new Set(['noscript', 'template', 'object', 'video', 'audio']);

/** What tells a place on a page. */
interface Signs {
  isForeign: IsForeign;
  /** Of the providers whose scripts are there. */
  names: readonly string[];
  /** What the scripts look for. */
  ids: ReadonlySet<string>;
  classes: ReadonlySet<string>;
  /** Boxes with a frame for whoever has no scripts. */
  lazyBoxes: ReadonlySet<MarkupElement>;
}

/** The elements that embeds are about: nothing inside another one. */
export function placesOf(page: Siblings, isForeign: IsForeign, loaders: readonly Loader[]): MarkupElement[] {
  const { elements } = page.markup;
  const found = new Set<MarkupElement>();
  const scripts = new Set(loaders.map((loader) => loader.element));
  const signs: Signs = {
    isForeign,
    names: [...new Set(loaders.flatMap((loader) => loader.names))],
    ids: new Set(loaders.flatMap(({ facts }) => facts?.ids ?? [])),
    classes: new Set(loaders.flatMap(({ facts }) => facts?.classes ?? [])),
    lazyBoxes: lazyBoxesOf(elements),
  };
  const copied = new Set<string>();
  const isHidden = (element: MarkupElement): boolean =>
    isInside(element, (outer) => covering.has(outer.name) || found.has(outer));
  for (const element of elements) {
    if (isHidden(element)) continue;
    const isFilled = isFillable(element) && besideLoader(page, element, scripts, found);
    const signature = isFilled ? signatureOf(element) : null;
    if (signature !== null) copied.add(signature);
    if (isFilled || isPlace(element, signs)) found.add(element);
  }
  // One script beside one of them fills all that are alike.
  if (copied.size > 0)
    for (const element of elements)
      if (
        !found.has(element) &&
        copied.has(signatureOf(element) ?? '') &&
        isFillable(element) &&
        !isHidden(element)
      )
        found.add(element);
  return elements.filter((element) => found.has(element));
}

/** By what copies of a place are alike: the element, and its first class; null where it has none. */
export function signatureOf(element: MarkupElement): string | null {
  const name = (attribute(element, 'class') ?? '').trim().split(/\s+/)[0]!;
  return name === '' ? null : `${element.name}.${name}`;
}

function lazyBoxesOf(elements: readonly MarkupElement[]): Set<MarkupElement> {
  const boxes = new Set<MarkupElement>();
  for (const element of elements)
    if (
      element.name === 'iframe' &&
      element.parent?.name === 'noscript' &&
      !isUnseen(element) &&
      element.parent.parent
    )
      boxes.add(element.parent.parent);
  return boxes;
}

/* Elements that show something of their own wherever it comes from, and that show nothing. */
const alwaysPlaces = new Set(['iframe', 'video', 'audio']);
const unseen = new Set(['script', 'link', 'style', 'meta']);

function isPlace(element: MarkupElement, signs: Signs): boolean {
  const { isForeign } = signs;
  if (element.name === 'iframe' && isUnseen(element)) return false;
  if (alwaysPlaces.has(element.name)) return true;
  if (framing.has(element.name)) return isForeign(shownAddress(element) ?? firstSource(element));
  if (element.name === 'form') return isForeign(attribute(element, 'action')) && !isOfSite(element);
  if (unseen.has(element.name)) return false;
  if (isBadge(element, isForeign) || isLazyBox(element, signs)) return true;
  return isLookedFor(element, signs);
}

function isLookedFor(element: MarkupElement, { names, ids, classes }: Signs): boolean {
  const isNothingLooked = names.length === 0 && ids.size === 0 && classes.size === 0;
  if (isNothingLooked || !isFillable(element)) return false;
  const id = attribute(element, 'id');
  return (
    bearsName(element, names) ||
    (id !== null && ids.has(id)) ||
    (attribute(element, 'class') ?? '').split(/\s+/).some((name) => classes.has(name))
  );
}

/* What a player or a plug-in is told to show. */
function firstSource(element: MarkupElement): string | null {
  for (const child of element.children) {
    if (child.kind !== 'element') continue;
    const address = attribute(child, child.name === 'param' ? 'value' : 'src');
    if (
      address &&
      (child.name === 'source' || child.name === 'param') &&
      /^(?:https?:)?\/\//i.test(address.trim())
    )
      return address;
  }
  return null;
}

/* Searching a site and signing in belong to the site, whoever does it for it. */
const isOfSite = (form: MarkupElement): boolean =>
  attribute(form, 'role') === 'search' ||
  holds(form, (inner) => /^(?:search|password)$/i.test(attribute(inner, 'type') ?? ''));

/* A picture of somebody’s that leads to them: a badge, a counter. */
function isBadge(element: MarkupElement, isForeign: IsForeign): boolean {
  if (element.name !== 'a' || !isForeign(attribute(element, 'href'))) return false;
  const inner = element.children.filter((child) => child.kind === 'element' || child.value.trim() !== '');
  const [picture] = inner;
  if (inner.length !== 1 || picture?.kind !== 'element' || picture.name !== 'img') return false;
  const source = attribute(picture, 'src') ?? '';
  return isForeign(source) && brandOf(source) === brandOf(attribute(element, 'href') ?? '');
}

/* A box that the page’s own script turns into a frame once it is seen. */
const lazyAddress = /^data-(?:[a-z]+-)?(?:src|url|embed|href|iframe)$/;
const picture = /\.(?:jpe?g|png|gif|webp|avif|svg|css|js|json)(?:[?#]|$)/i;

function isLazyBox(element: MarkupElement, { isForeign, lazyBoxes }: Signs): boolean {
  if (!boxes.has(element.name)) return false;
  const told = element.attributes.entries.some(
    ({ name, value }) => lazyAddress.test(name) && isForeign(value) && !picture.test(value),
  );
  // Around a frame that is there for whoever has no scripts, the box says whose it is, or holds nothing else.
  if (lazyBoxes.has(element))
    return told || element.children.every((child) => child.kind !== 'element' || child.name === 'noscript');
  return told && isFillable(element);
}
const boxes = new Set(['div', 'figure', 'section', 'span', 'p', 'button', 'a']);

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
