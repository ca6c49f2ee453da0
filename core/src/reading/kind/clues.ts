import { attribute, type Markup, type MarkupElement } from '../../text/index.ts';
import type { ReadAddress } from '../reading.ts';
import type { ScriptFacts } from '../scripts/index.ts';
import { hearAddress, ofLink, ofPicture, ofShown, pathEnd } from './address-words.ts';
import { Spoken, type Weights } from './spoken.ts';
import { withoutAccents } from './words.ts';

/** What a row of evidence looks at. */
export interface Clues {
  markup: Markup;
  main: MarkupElement | null;
  addresses: readonly ReadAddress[];
  /** Names of its elements, and of its addresses' parameters in lower case. */
  elements: ReadonlySet<string>;
  parameters: ReadonlySet<string>;
  /** The words of trades in it, by where they stand. */
  spoken: Spoken;
  /** Permissions asked for in `allow`. */
  allow: ReadonlySet<string>;
  /** Its stated width and height in pixels; NaN where it states none, or a share of what is around it. */
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
  const allow = new Set<string>();
  const elements = new Set<string>();
  const spoken = new Spoken();
  // A picture beside a script stands for what is still to come.
  const shown = main !== null && pictures.has(main.name) && hasScript(markup) ? null : main;
  const ear = earFor(shown, spoken, allow);
  for (const element of markup.elements) {
    elements.add(element.name);
    const isCustom = element.name.includes('-');
    if (isCustom) spoken.words('names', element.name, ear.names);
    for (const { name, value } of element.attributes.entries) {
      hearAttribute(name, value, ear);
      // A provider's own element has attributes of the provider's own.
      if (isCustom && !name.startsWith('data-')) spoken.words('names', name, ear.names);
    }
    if (shown === null) hearText(spoken, element);
  }
  hearAddresses(spoken, addresses, shown);
  if (shown === null || shown.name === 'blockquote') for (const facts of scripts) hearScript(spoken, facts);
  return {
    markup,
    main,
    addresses,
    elements,
    parameters: parametersOf(addresses),
    spoken,
    allow,
    width: side(main, 'width'),
    height: side(main, 'height'),
    file: fileOf(main, addresses),
  };
}

const pictures = new Set(['img', 'picture']);
const hasScript = ({ elements }: Markup): boolean => elements.some(({ name }) => name === 'script');

function parametersOf(addresses: readonly ReadAddress[]): Set<string> {
  const names = new Set<string>();
  for (const { parameters } of addresses) for (const { name } of parameters) names.add(name.toLowerCase());
  return names;
}

/* Where something is shown, its own address counts; else that of the script that shows it. A link says what
   it leads to, which counts where nothing else is there, or only its picture. */
function hearAddresses(spoken: Spoken, addresses: readonly ReadAddress[], main: MarkupElement | null): void {
  const isPicture = main !== null && pictures.has(main.name);
  for (const { use, url, parameters } of addresses) {
    if (use === 'link') {
      if (main === null || isPicture || main.name === 'blockquote')
        hearAddress(spoken, url, parameters, ofLink);
    } else if (use === 'image') {
      if (isPicture) hearAddress(spoken, url, parameters, ofPicture);
    } else if (use !== 'script' || main === null || main.name === 'blockquote')
      hearAddress(spoken, url, parameters, ofShown);
  }
}

function hearScript(spoken: Spoken, { addresses, calls, globals, keys }: ScriptFacts): void {
  for (const { url, use } of addresses)
    if (use !== 'link' && use !== 'image') hearAddress(spoken, url, [], ofShown);
  for (const call of calls) spoken.words('script', call, inScript);
  for (const { name } of globals) spoken.words('script', name, inScript);
  for (const key of keys) spoken.words('script', key, inScript);
}
const inScript: Weights = [2, 1];

/* What a picture is called says what is to be seen on it; what a place is called says what it is. */
const earFor = (shown: MarkupElement | null, spoken: Spoken, allow: Set<string>): Ear => ({
  spoken,
  allow,
  names: shown === null ? [3, 2] : [2, 1],
  // A title is the owner's own words: where anything else says as much, that counts.
  titles: shown !== null && pictures.has(shown.name) ? [1, 0] : [2.5, 1],
});

interface Ear {
  spoken: Spoken;
  allow: Set<string>;
  names: Weights;
  titles: Weights;
}

function hearAttribute(name: string, value: string, { spoken, allow, names, titles }: Ear): void {
  if (naming.has(name)) spoken.words('names', value, names);
  else if (titling.has(name)) spoken.words('title', withoutAccents(value), titles);
  else if (name.startsWith('data-')) hearData(spoken, name, value, names);
  else if (name === 'allowfullscreen') allow.add('fullscreen');
  else if (name === 'allow') for (const feature of value.toLowerCase().split(/[;\s]+/)) allow.add(feature);
}

const naming = new Set(['class', 'id', 'name']);
const titling = new Set(['title', 'aria-label', 'alt']);

function hearData(spoken: Spoken, name: string, value: string, names: Weights): void {
  spoken.words('names', name.slice('data-'.length), names);
  if (value.length <= 24 && /^[a-z]+(?:-[a-z]+)?$/i.test(value)) spoken.words('names', value, [2, 1]);
}

/* What visitors read on a link or a button asks them to do what the thing is for. */
function hearText(spoken: Spoken, { name, children }: MarkupElement): void {
  const weights: Weights = name === 'a' || name === 'button' ? [2, 2] : [2, 0];
  for (const child of children)
    if (child.kind === 'text' && child.value.length <= longestWords)
      spoken.words('text', withoutAccents(child.value), weights);
}
const longestWords = 60;

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
  return stated === null ? NaN : Number(/^\s*(\d+)(?:\.\d*)?(?:px)?\s*$/.exec(stated)?.[1] ?? NaN);
};
