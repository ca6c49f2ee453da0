import type { MarkupElement } from '../text/index.ts';
import { tradesOf } from '../reading/kind/vocabulary.ts';
import { hostOf } from '../reading/addresses.ts';

/* Labels of hosts that say nothing of whose they are, where a country's names have one more. */
const shortestBrand = 4;

/** The name of a provider in the host of an address: the label before the last; empty where there is none. */
export function brandOf(address: string): string {
  const labels = hostOf(address.trim())?.split('.') ?? [];
  const brand = labels.at(-2) ?? '';
  return brand.length >= shortestBrand
    ? brand
    : brand !== '' && labels.length > 2
      ? (labels.at(-3) ?? '')
      : '';
}

/** The name of a script's file, where it is one of its own (`scope-box.js`): libraries are called so. */
export function fileNameOf(address: string): string {
  const file = address.split(/[?#]/)[0]!.split('/').at(-1) ?? '';
  const name = file
    .replace(/\.m?js$/i, '')
    .replace(/\.(?:min|esm|umd|module)$/i, '')
    .toLowerCase();
  return name.includes('-') ? name : '';
}

/* A value that is a name, and no text or address. */
const isWord = /^[a-z][a-z0-9-]{2,30}$/;

/* Words that many call their elements, whoever fills them. */
const anybodys = new Set(
  `main page site content wrap wrapper container inner outer section column block item list card title text head
  header foot footer body image button link icon left right center top bottom large small open close active`.split(
    /\s+/,
  ),
);

/**
 * Whether a provider's name is in an element's name, class, id or data attributes; or they begin with a word
 * that its name begins with, and that is nobody else's (`fern-embed` of “fernform”).
 */
export function bearsName(element: MarkupElement, names: readonly string[]): boolean {
  if (names.length === 0) return false;
  const { text, words } = saidOf(element);
  if (names.some((name) => text.includes(name.replaceAll('-', '')) || text.includes(name))) return true;
  return words.some((word) => names.some((name) => name.length > word.length && name.startsWith(word)));
}

/* What an element is called, worked out once: many scripts may ask. */
const known = new WeakMap<MarkupElement, { text: string; words: readonly string[] }>();

function saidOf(element: MarkupElement): { text: string; words: readonly string[] } {
  const before = known.get(element);
  if (before) return before;
  const said = [element.name];
  for (const { name, value } of element.attributes.entries) {
    if (name.startsWith('data-')) said.push(name.slice('data-'.length), isWord.test(value) ? value : '');
    else if (name === 'class' || name === 'id') said.push(value.toLowerCase());
  }
  const text = said.join(' ');
  const words = text
    .split(/[^a-z0-9]+/)
    .filter((word) => word.length >= shortestBrand && !anybodys.has(word) && tradesOf(word) === null);
  const called = { text, words };
  known.set(element, called);
  return called;
}

/* Scripts that measure, ask for consent, or bring types and icons. */
const measuring =
  /analytic|\bstats?\b|\btags?\b|pixel|track|consent|cookie|gdpr|privacy|captcha|\bfonts?\b|\bicons?\b|polyfill|monitor|beacon|metrics|telemetry|optimi[sz]e|experiment/i;
/* Those that only help others. */
const helping = /\blibs?\b/i;
/* A version in the path, in the name of the file, or behind that of a package. */
const library = /\/v?\d+\.\d+(?:\.\d+)?\/|-\d+\.\d+(?:\.\d+)?[^/]{0,20}\.js$|@\d+(?:\.\d+)*(?:\/|$)/;

/** Whether a script from elsewhere measures, asks for consent, or brings types and icons. */
export function onlyMeasures(script: MarkupElement, addresses: readonly string[]): boolean {
  if (script.attributes.names().some((name) => /^data-(?:consent|cookie)/.test(name))) return true;
  return addresses.some((address) => measuring.test(wordsOf(address)));
}

/** Whether a script from elsewhere is one that shows nothing itself. */
export const onlyHelps = (script: MarkupElement, addresses: readonly string[]): boolean =>
  onlyMeasures(script, addresses) ||
  addresses.some((address) => helping.test(wordsOf(address)) || library.test(address.split(/[?#]/)[0]!));

const wordsOf = (address: string): string =>
  address
    .split(/[?#]/)[0]!
    .replace(/^(?:https?:)?\/\//i, '')
    .replaceAll(/[._-]/g, ' ');
