import { defaultTreeAdapter as tree, parse, serialize } from 'parse5';
import { markName, readMark } from '../compose/mark.ts';
import { placeNumber, placesIn, usualPlace, type Beside, type PlaceOnPage } from './places.ts';
import { quiet } from './quiet.ts';
import { attributeOf, elementsBelow, type Element, type Node, type Parent } from './tree.ts';

/** A page, and where on it an embed is to stand. */
export interface PageRequest {
  html: string;
  /** Where it was read. */
  address: string;
  /** Null: where it is told apart by its mark, or else where it most likely goes. */
  beside: Beside | null;
  /** The placements whose code the embed takes the place of, by their public ids. */
  placements: readonly string[];
}

/** A page with nothing of it acting, cut where something of ours goes. */
export interface PageWithRoom {
  /** Up to the end of its head’s beginning, up to where the embed stands, and what follows it. */
  parts: [string, string, string];
  /** By which its addresses are read. */
  base: string;
  places: PlaceOnPage[];
  /** The number of the place beside which there is room; null instead of a code, or at the end. */
  at: number | null;
  side: Beside['side'];
  /** Whether it is instead of a code of ours that stands there. */
  instead: boolean;
}

/**
 * Reads a published page for a preview in it: nothing of the page runs any more, its styles and pictures
 * stay. Each heading and paragraph carries its number in `data-orbis-place`.
 *
 * @returns the places alone where the one that was asked for is not there.
 */
export function roomOnPage(request: PageRequest): PageWithRoom | PlaceOnPage[] {
  const { html, address, beside, placements } = request;
  const page = parse(html, { scriptingEnabled: false });
  const elements = elementsBelow(page);
  const base = baseOf(elements, address);
  const holes = freshHoles(html);
  const room = tree.createCommentNode(holes[1]);
  const marked = elements.find((element) => placements.includes(placementOn(element) ?? ''));
  const instead = beside === null && marked !== undefined;
  if (instead) replace(marked, room);
  quiet(elements);
  const found = placesIn(elements.filter(isThere));
  found.forEach(({ element }, i) => element.attrs.push({ name: 'data-orbis-place', value: String(i) }));
  const places = found.map(({ kind, words }) => ({ kind, words }));
  const at = beside ? placeNumber(places, beside) : instead ? null : usualPlace(found);
  if (beside && at === null) return places;
  const side = beside?.side ?? 'after';

  const [head, body] = ['head', 'body'].map((name) => elements.find(({ tagName }) => tagName === name));
  prepend(head ?? page, tree.createCommentNode(holes[0]));
  if (at !== null) insert(found[at]!.element, side, room);
  else if (!instead) tree.appendChild(body ?? page, room);
  return { parts: cut(serialize(page), holes), base, places, at, side, instead };
}

/* The first one holds (HTML, section 4.2.3). */
function baseOf(elements: readonly Element[], address: string): string {
  const href = elements
    .filter(({ tagName }) => tagName === 'base')
    .map((each) => attributeOf(each, 'href'))
    .find((each) => each !== null);
  return href !== undefined && URL.canParse(href, address) ? new URL(href, address).href : address;
}

const placementOn = (element: Element): string | null =>
  readMark(attributeOf(element, markName) ?? '')?.placement ?? null;

/* What was taken out with something else is not on the page. */
function isThere(element: Element): boolean {
  let at: Element['parentNode'] = element;
  while (at && 'tagName' in at) at = at.parentNode;
  return at?.nodeName === '#document';
}

function prepend(parent: Parent, node: Node): void {
  const [first] = parent.childNodes;
  if (first) tree.insertBefore(parent, node, first);
  else tree.appendChild(parent, node);
}

function replace(element: Element, by: Node): void {
  tree.insertBefore(element.parentNode!, by, element);
  tree.detachNode(element);
}

function insert(beside: Element, side: Beside['side'], node: Node): void {
  const parent = beside.parentNode!;
  const next = side === 'before' ? beside : parent.childNodes[parent.childNodes.indexOf(beside) + 1];
  if (next) tree.insertBefore(parent, node, next);
  else tree.appendChild(parent, node);
}

/* Comments that the page itself does not have. */
function freshHoles(html: string): [string, string] {
  let name = 'room';
  while (html.includes(name)) name += '-';
  return [`${name}1`, `${name}2`];
}

function cut(text: string, holes: readonly [string, string]): [string, string, string] {
  const [first, second] = holes.map((hole) => `<!--${hole}-->`) as [string, string];
  const inHead = text.indexOf(first);
  const inBody = text.indexOf(second);
  return [
    text.slice(0, inHead),
    text.slice(inHead + first.length, inBody),
    text.slice(inBody + second.length),
  ];
}
