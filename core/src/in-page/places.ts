import { attributeOf, type Element, type Node } from './tree.ts';

/** A heading or a paragraph of a page, beside which an embed can be put. */
export interface PlaceOnPage {
  kind: 'heading' | 'paragraph';
  /** How it begins. */
  words: string;
}

/** Where an embed is to stand: beside the place of this number, or the first one that begins with words. */
export type Beside = { side: 'before' | 'after' } & ({ at: number } | { words: string });

/** A place with its element. */
export interface FoundPlace extends PlaceOnPage {
  element: Element;
}

/* As many as anybody would look through, and as many words as tell one from the others. */
const [mostPlaces, mostCharacters] = [400, 90];

/** The places of a page in its order: the headings and paragraphs that have words. */
export function placesIn(elements: readonly Element[]): FoundPlace[] {
  const found: FoundPlace[] = [];
  for (const element of elements) {
    const kind = /^h[1-6]$/.test(element.tagName) ? 'heading' : element.tagName === 'p' ? 'paragraph' : null;
    if (kind === null || isHidden(element)) continue;
    const words = beginningOf(element);
    if (words !== '' && found.push({ kind, words, element }) === mostPlaces) break;
  }
  return found;
}

/** The number of the place that was asked for; null where there is none. */
export function placeNumber(places: readonly PlaceOnPage[], beside: Beside): number | null {
  if ('at' in beside) return beside.at in places ? beside.at : null;
  // As much as is kept of the words of a place.
  const wanted = folded(beside.words)
    .slice(0, mostCharacters - 1)
    .trimEnd();
  const at = places.findIndex(({ words }) => folded(words).startsWith(wanted));
  return at < 0 ? null : at;
}

/** Where an embed most likely goes if nobody says: behind the first place of the page’s own content. */
export function usualPlace(places: readonly FoundPlace[]): number | null {
  const inContent = places.findIndex(({ element }) => isInside(element, content));
  const heading = places.findIndex(({ element }) => element.tagName === 'h1');
  const [at] = [inContent, heading, 0].filter((each) => each >= 0 && each < places.length);
  return at ?? null;
}

const content: ReadonlySet<string> = new Set(['main', 'article']);
const unseen: ReadonlySet<string> = new Set(['template', 'dialog', 'select', 'button']);

const isHidden = (element: Element): boolean =>
  attributeOf(element, 'hidden') !== null || isInside(element, unseen);

function isInside(element: Element, outer: ReadonlySet<string>): boolean {
  for (let at = element.parentNode; at && 'tagName' in at; at = at.parentNode)
    if (outer.has(at.tagName)) return true;
  return false;
}

const folded = (words: string): string => words.normalize('NFKC').toLowerCase().replace(/\s+/g, ' ').trim();

function beginningOf(element: Element): string {
  let words = '';
  const left: Node[] = element.childNodes.toReversed();
  for (let node = left.pop(); node && words.length < 4 * mostCharacters; node = left.pop()) {
    if ('value' in node) words += node.value;
    else if ('tagName' in node && node.tagName !== 'style') left.push(...node.childNodes.toReversed());
  }
  const plain = words.replace(/\s+/g, ' ').trim();
  return plain.length <= mostCharacters ? plain : `${plain.slice(0, mostCharacters - 1).trimEnd()}…`;
}
