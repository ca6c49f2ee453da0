import { attribute, parseAddress, type Markup, type MarkupElement } from '../text/index.ts';
import { isBlocked, isDataScript } from '../reading/roles.ts';
import type { ScriptFacts } from '../reading/scripts/index.ts';
import type { IsForeign } from './foreign.ts';
import { brandOf, fileNameOf, onlyMeasures } from './signs.ts';

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
  const known = new Map(loaders.map((loader) => [loader.element, loader]));
  const callers = callersOf(loaders);
  const programs = loaders.filter(isProgram);
  const ids = new Set(markup.elements.flatMap((element) => attribute(element, 'id') ?? []));
  return markup.elements.flatMap((element): Loader[] => {
    const loader = known.get(element);
    const told = factsOf(element);
    if (told === null) return loader ? [loader] : [];
    const facts = withQuotedIds(told, element, markup, ids);
    const caller = callerOf(facts, callers) ?? callerNear(facts, element, programs);
    if (caller && caller.element !== element)
      return [{ element, names: loader?.names ?? caller.names, facts, calledBy: caller.element }];
    return loader ? [{ ...loader, facts }] : [];
  });
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
    const isScript = loader.facts === null && loader.element.name === 'script';
    for (const name of isScript ? loader.names : []) callers.byName.set(name, loader);
  }
  return callers;
}

function callerOf({ globals, calls }: ScriptFacts, { byCallback, byName }: Callers): Loader | undefined {
  const called = globals.find(({ name }) => byCallback.has(name));
  if (called) return byCallback.get(called.name);
  const call = calls.map(libraryOf).find((name) => byName.has(name));
  return call === undefined ? undefined : byName.get(call);
}

/* A library that is called by another name than its provider's: one whose name begins alike, else, where a
   place is filled, the one that was brought last before, or first behind. */
function callerNear(
  { calls, ids }: ScriptFacts,
  element: MarkupElement,
  brought: readonly Loader[],
): Loader | undefined {
  if (ids.length === 0) return undefined;
  const libraries = calls.map(libraryOf).filter((name) => name.length >= shortestLibrary);
  const named = brought.find((loader) =>
    [...loader.names, stemOf(loader.element)].some((name) =>
      libraries.some((library) => name.startsWith(library)),
    ),
  );
  if (named || !calls.some((call) => filling.test(call))) return named;
  return (
    brought.findLast((loader) => loader.element.end <= element.start) ??
    brought.find((loader) => loader.element.start >= element.end)
  );
}
const shortestLibrary = 3;
const filling = /\.(?:render|init|create|mount|embed|setup|load|new|push|display|show)$/;
const isProgram = ({ facts, element }: Loader): boolean =>
  facts === null && element.name === 'script' && !onlyMeasures(element, [scriptAddress(element) ?? '']);
const stemOf = (script: MarkupElement): string =>
  (scriptAddress(script) ?? '').split(/[?#]/)[0]!.split('/').at(-1)!.toLowerCase();

/* Ids that a script only has as texts: libraries are told where to go so. */
const mostQuoted = 200;

function withQuotedIds(
  facts: ScriptFacts,
  script: MarkupElement,
  { text }: Markup,
  known: ReadonlySet<string>,
): ScriptFacts {
  const inner = text.slice(script.startTagEnd, script.endTagStart ?? script.end);
  if (inner.length > 50_000) return facts;
  const quoted = [...inner.matchAll(/["'`]#?([A-Za-z][\w:.-]{1,80})["'`]/g)]
    .map(([, id]) => id!)
    .filter((id) => known.has(id))
    .slice(0, mostQuoted);
  return { ...facts, ids: [...new Set([...facts.ids.filter((id) => known.has(id)), ...quoted])] };
}

const libraryOf = (call: string): string => call.split('.')[0]!.toLowerCase();

/** Where a script comes from, also one that a consent tool holds back. */
export const scriptAddress = (script: MarkupElement): string | null =>
  attribute(script, 'src') ?? (isBlocked(script) ? attribute(script, 'data-src') : null);

/* Reads an element as a loader; null where it is the page's own, or no loader at all. */
function loaderOf(
  element: MarkupElement,
  isForeign: IsForeign,
  factsOf: (element: MarkupElement) => ScriptFacts | null,
): Loader | null {
  if (element.name === 'script' && scriptAddress(element) === null) {
    if (isDataScript(element)) return null;
    const facts = factsOf(element);
    const loaded = facts?.addresses.filter(({ url }) => isForeign(url)) ?? [];
    return loaded.length > 0 ? { element, names: namesIn(loaded.map(({ url }) => url)), facts } : null;
  }
  const address =
    element.name === 'script'
      ? scriptAddress(element)
      : element.name === 'link' && isMachinery(element)
        ? attribute(element, 'href')
        : null;
  return address !== null && isForeign(address) ? { element, names: namesIn([address]), facts: null } : null;
}

/* Words by which a provider's elements are known: the provider's name in its hosts, and what its file is
   called. */
const namesIn = (addresses: readonly string[]): string[] =>
  [...new Set(addresses.flatMap((address) => [brandOf(address), fileNameOf(address)]))].filter(
    (name) => name !== '',
  );
