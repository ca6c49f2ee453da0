import { attribute, parseAddress, type Markup, type MarkupElement } from '../text/index.ts';
import { hostOf } from '../reading/addresses.ts';
import { isDataScript } from '../reading/roles.ts';
import type { ScriptFacts } from '../reading/scripts/index.ts';
import type { IsForeign } from './foreign.ts';

/** A script or stylesheet on the page that comes from somebody else, or brings something from there. */
export interface Loader {
  element: MarkupElement;
  /** Words by which its provider’s elements are known. */
  names: string[];
  /** What an inline one says of itself; null for one from elsewhere. */
  facts: ScriptFacts | null;
  /** Of a script of the page itself: what calls it, or has the library that it calls. */
  calledBy?: MarkupElement;
}

/** Whether an element is a script, style or stylesheet: what codes are made of beside the place itself. */
export const isMachinery = (element: MarkupElement): boolean =>
  element.name === 'script' ||
  element.name === 'style' ||
  element.name === 'noscript' ||
  (element.name === 'link' && /\bstylesheet\b/i.test(attribute(element, 'rel') ?? ''));

/**
 * The loaders of a page: what comes from somebody else, and scripts of the page that somebody else's script
 * calls when it is there (`?callback=…`) or that call its library by the provider's name.
 */
export function loadersOf(
  markup: Markup,
  isForeign: IsForeign,
  factsOf: (element: MarkupElement) => ScriptFacts | null,
): Loader[] {
  const loaders = markup.elements.flatMap((element) => loaderOf(element, isForeign, factsOf) ?? []);
  const known = new Set(loaders.map(({ element }) => element));
  const callers = callersOf(loaders);
  const told = markup.elements.flatMap((element): Loader[] => {
    const facts = known.has(element) ? null : factsOf(element);
    const caller = facts && callerOf(facts, callers);
    return caller ? [{ element, names: caller.names, facts, calledBy: caller.element }] : [];
  });
  return [...loaders, ...told].sort((a, b) => a.element.start - b.element.start);
}

/* Loaders by the functions of the page that they call, and by their providers’ names, each the first. */
interface Callers {
  byCallback: Map<string, Loader>;
  byName: Map<string, Loader>;
}

function callersOf(loaders: readonly Loader[]): Callers {
  const callers: Callers = { byCallback: new Map(), byName: new Map() };
  for (const loader of [...loaders].reverse()) {
    const { parameters } = parseAddress(attribute(loader.element, 'src') ?? '');
    for (const { name, value } of parameters)
      if (value !== null && /^(?:callback|onload|cb)$/i.test(name)) callers.byCallback.set(value, loader);
    for (const name of loader.names) callers.byName.set(name, loader);
  }
  return callers;
}

function callerOf({ globals, ids, calls }: ScriptFacts, { byCallback, byName }: Callers): Loader | undefined {
  const called = globals.find(({ name }) => byCallback.has(name));
  if (called) return byCallback.get(called.name);
  const call = ids.length === 0 ? undefined : calls.map(libraryOf).find((name) => byName.has(name));
  return call === undefined ? undefined : byName.get(call);
}

const libraryOf = (call: string): string => call.split('.')[0]!.toLowerCase();

/* Reads an element as a loader; null where it is the page's own, or no loader at all. */
function loaderOf(
  element: MarkupElement,
  isForeign: IsForeign,
  factsOf: (element: MarkupElement) => ScriptFacts | null,
): Loader | null {
  if (element.name === 'script' && !element.attributes.has('src')) {
    if (isDataScript(element)) return null;
    const facts = factsOf(element);
    const loaded = facts?.addresses.filter(({ url }) => isForeign(url)) ?? [];
    return loaded.length > 0 ? { element, names: namesIn(loaded.map(({ url }) => url)), facts } : null;
  }
  const address =
    element.name === 'script'
      ? attribute(element, 'src')
      : element.name === 'link' && isMachinery(element)
        ? attribute(element, 'href')
        : null;
  return address !== null && isForeign(address) ? { element, names: namesIn([address]), facts: null } : null;
}

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

/* Words by which a provider's elements are known: the parts of its hosts' names that are nobody else's. */
function namesIn(addresses: readonly string[]): string[] {
  const labels = addresses.flatMap((address) => hostOf(address.trim())?.split('.') ?? []);
  return [...new Set(labels)].filter((label) => label.length >= shortest && !common.has(label));
}

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
