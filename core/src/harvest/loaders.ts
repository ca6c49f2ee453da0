import { attribute, type MarkupElement } from '../text/index.ts';
import { hostOf } from '../reading/addresses.ts';
import { isDataScript } from '../reading/roles.ts';
import type { ScriptFacts } from '../reading/scripts/index.ts';
import type { IsForeign } from './foreign.ts';

/** A script or stylesheet on the page that comes from somebody else, or brings something from there. */
export interface Loader {
  element: MarkupElement;
  /** Whom it loads from. */
  hosts: string[];
  /** What an inline one says of itself; null for one from elsewhere. */
  facts: ScriptFacts | null;
}

/** Whether an element is a script, style or stylesheet: what codes are made of beside the place itself. */
export const isMachinery = (element: MarkupElement): boolean =>
  element.name === 'script' ||
  element.name === 'style' ||
  element.name === 'noscript' ||
  (element.name === 'link' && /\bstylesheet\b/i.test(attribute(element, 'rel') ?? ''));

/** Reads an element as a loader; null where it is the page's own, or no loader at all. */
export function loaderOf(
  element: MarkupElement,
  isForeign: IsForeign,
  factsOf: (element: MarkupElement) => ScriptFacts | null,
): Loader | null {
  if (element.name === 'script' && !element.attributes.has('src')) {
    if (isDataScript(element)) return null;
    const facts = factsOf(element);
    const loaded = facts?.addresses.filter(({ url }) => isForeign(url)) ?? [];
    return loaded.length > 0 ? { element, hosts: hostsIn(loaded.map(({ url }) => url)), facts } : null;
  }
  const address =
    element.name === 'script'
      ? attribute(element, 'src')
      : element.name === 'link' && isMachinery(element)
        ? attribute(element, 'href')
        : null;
  return address !== null && isForeign(address) ? { element, hosts: hostsIn([address]), facts: null } : null;
}

const hostsIn = (addresses: readonly string[]): string[] => [
  ...new Set(addresses.flatMap((address) => hostOf(address.trim()) ?? [])),
];

/* Parts of host names that say nothing of whose they are. */
const common = new Set([
  'www',
  'cdn',
  'js',
  'static',
  'assets',
  'embed',
  'widget',
  'widgets',
  'api',
  'app',
  'player',
  'play',
  'localhost',
  'example',
  'com',
  'org',
  'net',
  'media',
  'img',
]);
const shortest = 4;

/** Words by which a provider's elements are known: the parts of its hosts' names that are nobody else's. */
export const namesOf = (hosts: readonly string[]): string[] =>
  [...new Set(hosts.flatMap((host) => host.split('.')))].filter(
    (label) => label.length >= shortest && !common.has(label),
  );

/** Whether a provider's name is in an element's name, class, id or data attributes. */
export function bearsName(element: MarkupElement, names: readonly string[]): boolean {
  if (names.length === 0) return false;
  const said = [element.name];
  for (const { name, value } of element.attributes.entries) {
    if (name.startsWith('data-')) said.push(name);
    else if (name === 'class' || name === 'id') said.push(value.toLowerCase());
  }
  const text = said.join(' ');
  return names.some((name) => text.includes(name.replaceAll('-', '')) || text.includes(name));
}
