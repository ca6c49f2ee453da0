import { attribute, type Markup, type MarkupElement } from '../../text/index.ts';
import type { ReadAddress } from '../reading.ts';
import type { ScriptFacts } from '../scripts/index.ts';
import { kindsOfWord, longestWord } from './vocabulary.ts';

/** What a row of evidence looks at. */
export interface Clues {
  markup: Markup;
  main: MarkupElement | null;
  addresses: readonly ReadAddress[];
  /** Names of its elements, and of its addresses' parameters in lower case. */
  elements: ReadonlySet<string>;
  parameters: ReadonlySet<string>;
  /** Words of a trade in addresses' paths, queries and hosts. */
  addressWords: ReadonlySet<string>;
  /** Words in classes, ids, data attributes, names of custom elements and of scripts' globals. */
  nameWords: ReadonlySet<string>;
  /** Words in titles and labels. */
  titleWords: ReadonlySet<string>;
  /** Permissions asked for in `allow`. */
  allow: ReadonlySet<string>;
  /** Its stated width and height in pixels; NaN where it states none. */
  width: number;
  height: number;
  /** Ending of the file that the main address leads to, and its stated type. */
  file: string;
}

/** Gathers what speaks for a kind, each once. */
export function cluesOf(
  markup: Markup,
  main: MarkupElement | null,
  addresses: readonly ReadAddress[],
  scripts: readonly ScriptFacts[],
): Clues {
  const addressWords = new Set<string>();
  const nameWords = new Set<string>();
  const titleWords = new Set<string>();
  const allow = new Set<string>();
  const elements = new Set<string>();
  const parameters = new Set<string>();
  for (const address of addresses) {
    for (const { name } of address.parameters) parameters.add(name.toLowerCase());
    if (address.use === 'link' && addresses.length > 1) continue;
    addWords(addressWords, address.url, pathEnd(address.url));
    for (const { name } of address.parameters) addWords(addressWords, name);
  }
  for (const { addresses: loaded } of scripts)
    for (const { url } of loaded) addWords(addressWords, url, pathEnd(url));
  for (const element of markup.elements) {
    elements.add(element.name);
    if (element.name.includes('-')) addWords(nameWords, element.name);
    for (const { name, value } of element.attributes.entries)
      addAttribute(name, value, { nameWords, titleWords, allow });
  }
  return {
    markup,
    main,
    addresses,
    elements,
    parameters,
    addressWords,
    nameWords,
    titleWords,
    allow,
    width: side(main, 'width'),
    height: side(main, 'height'),
    file: fileOf(main, addresses),
  };
}

function addAttribute(
  name: string,
  value: string,
  { nameWords, titleWords, allow }: Record<'nameWords' | 'titleWords' | 'allow', Set<string>>,
): void {
  if (naming.has(name)) addWords(nameWords, value);
  else if (titling.has(name)) addWords(titleWords, value);
  else if (name.startsWith('data-')) addWords(nameWords, name);
  else if (name === 'allowfullscreen') allow.add('fullscreen');
  else if (name === 'allow') for (const feature of value.toLowerCase().split(/[;\s]+/)) allow.add(feature);
}

const naming = new Set(['class', 'id', 'name']);
const titling = new Set(['title', 'aria-label', 'alt']);

/** Where the query or fragment of an address begins. */
export function pathEnd(url: string): number {
  const [query, hash] = [url.indexOf('?'), url.indexOf('#')];
  return Math.min(query < 0 ? url.length : query, hash < 0 ? url.length : hash);
}

/* Only so much of a text is looked at for words. */
const readFor = 2000;
const [isLower, isUpper, isDigit] = [
  (c: number): boolean => c >= 97 && c <= 122,
  (c: number): boolean => c >= 65 && c <= 90,
  (c: number): boolean => c >= 48 && c <= 57,
];

/* The words of any trade in a text: runs of letters and digits, and within them a new one with each capital
   behind a small letter. */
function addWords(to: Set<string>, text: string, until = text.length): void {
  const end = Math.min(until, readFor);
  let start = -1;
  let before = 0;
  for (let i = 0; i <= end; i++) {
    const c = i < end ? text.charCodeAt(i) : 0;
    const inside = isLower(c) || isUpper(c) || isDigit(c);
    if (start >= 0 && (!inside || (isUpper(c) && isLower(before)))) {
      const length = i - start;
      if (length > 1 && length <= longestWord) {
        const word = text.slice(start, i).toLowerCase();
        if (kindsOfWord.has(word)) to.add(word);
      }
      start = -1;
    }
    if (inside && start < 0) start = i;
    before = c;
  }
}

/* The stated type, else the ending of the path, of what is shown. */
function fileOf(main: MarkupElement | null, addresses: readonly ReadAddress[]): string {
  const type = main && ['object', 'embed', 'source'].includes(main.name) ? attribute(main, 'type') : null;
  if (type && type !== 'text/html') return type.toLowerCase().split(';')[0]!.trim();
  const shown = addresses.find((a) => a.use === 'frame' || a.use === 'media') ?? addresses[0];
  if (!shown) return '';
  const end = pathEnd(shown.url);
  const point = shown.url.lastIndexOf('.', end);
  const ending =
    point < 0 || end - point < 3 || end - point > 6 ? '' : shown.url.slice(point + 1, end).toLowerCase();
  return /^[a-z0-9]*$/.test(ending) ? ending : '';
}

const side = (element: MarkupElement | null, name: string): number => {
  const stated = element ? attribute(element, name) : null;
  return stated === null ? NaN : Number(/^\d+/.exec(stated)?.[0] ?? NaN);
};
