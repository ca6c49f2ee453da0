import { URLPattern } from 'urlpattern-polyfill';
import type { MarkupElement } from '../text/index.ts';
import type { AddressPattern, MountPattern, Sheet } from './sheet.ts';

/** A sheet that knows an address, and the item's id found in it. */
export interface SheetMatch {
  sheet: Sheet;
  id: string;
  url: URL;
}

/**
 * Finds the sheet whose frames have addresses like this one, and the item's id. Protocol-relative addresses
 * are read as https.
 */
export function matchFrame(address: string, sheets: readonly Sheet[]): SheetMatch | null {
  return match(address, sheets, framesOf);
}

/**
 * The sheet whose frames have addresses like this one, or null. Protocol-relative
 * addresses are read as https.
 */
export function sheetOfFrame(address: string, sheets: readonly Sheet[]): Sheet | null {
  // Most addresses are of nobody that a sheet knows, and plain: telling these must cost next to nothing.
  const plain = plainAddress.exec(address);
  if (plain && !hostsKnown(sheets).has('*')) {
    const [, host, path = '/'] = plain;
    if (!hostsKnown(sheets).has(host!)) return null;
    const fits = (pattern: AddressPattern): boolean | null => {
      const short = shortcut(pattern);
      return pattern.hostname !== host ? false : short ? short.test(path) : null;
    };
    for (const sheet of sheets) {
      for (const pattern of sheet.frames) {
        const told = fits(pattern);
        if (told) return sheet;
        if (told === null) return matchFrame(address, sheets)?.sheet ?? null;
      }
    }
    return null;
  }
  return matchFrame(address, sheets)?.sheet ?? null;
}

/** The sheet of a provider whose script has this address, or null. */
export function sheetOfLoader(address: string, sheets: readonly Sheet[]): Sheet | null {
  const host = plainHost(address);
  if (host !== null && !hostsKnown(sheets).has(host) && !hostsKnown(sheets).has('*')) return null;
  const plain = plainAddress.exec(address);
  if (plain && !hostsKnown(sheets).has('*')) {
    const [, name, path = '/'] = plain;
    const told = loaderAt(name!, path, sheets);
    if (told !== undefined) return told;
  }
  const url = parsed(address);
  if (url === null) return null;
  return (
    sheets.find(({ loaders }) =>
      loaders?.some(
        (pattern) =>
          (isPlain(pattern.hostname) ? pattern.hostname === url.hostname : true) &&
          compiled(pattern).test(url.href),
      ),
    ) ?? null
  );
}

/** The sheet of a provider whose script fills elements like this one, or null. */
export function sheetOfMount(element: MarkupElement, sheets: readonly Sheet[]): Sheet | null {
  // Most elements are of nobody: only what some sheet names at all is held against the sheets.
  const { words, elements } = mountsKnown(sheets);
  const named =
    elements.has(element.name) ||
    element.attributes.entries.some(({ name, value }) =>
      name === 'class' ? value.split(/\s+/).some((word) => words.has(word)) : words.has(name),
    );
  return named ? (sheets.find((sheet) => isMountOf(element, sheet)) ?? null) : null;
}

const mounts = new WeakMap<readonly Sheet[], { words: ReadonlySet<string>; elements: ReadonlySet<string> }>();

/* Every class and attribute, and every element's name, that the sheets' mounts speak of. */
function mountsKnown(sheets: readonly Sheet[]): {
  words: ReadonlySet<string>;
  elements: ReadonlySet<string>;
} {
  let found = mounts.get(sheets);
  if (!found) {
    const all = sheets.flatMap((sheet) => sheet.mounts ?? []);
    const words = new Set(
      all.flatMap((pattern) => [pattern.class, pattern.attribute].filter((word) => word !== undefined)),
    );
    mounts.set(
      sheets,
      (found = { words, elements: new Set(all.flatMap((pattern) => pattern.element ?? [])) }),
    );
  }
  return found;
}

/** Whether an element is one that a provider's script fills. */
export const isMountOf = (element: MarkupElement, { mounts }: Pick<Sheet, 'mounts'>): boolean =>
  mounts !== undefined && mounts.some((pattern) => fitsMount(element, pattern));

/**
 * Whether an element is a sheet's mount by a class or a name of its own. An attribute alone, such as
 * `data-shop`, may be anybody's.
 */
export const isMountByName = (element: MarkupElement, { mounts }: Pick<Sheet, 'mounts'>): boolean =>
  mounts?.some(
    (pattern) =>
      (pattern.class !== undefined || pattern.element !== undefined) && fitsMount(element, pattern),
  ) ?? false;

function fitsMount(element: MarkupElement, pattern: MountPattern): boolean {
  if (pattern.element !== undefined && element.name !== pattern.element) return false;
  if (pattern.attribute !== undefined && !element.attributes.has(pattern.attribute)) return false;
  if (pattern.class !== undefined)
    return (element.attributes.value('class') ?? '').split(/\s+/).includes(pattern.class);
  return pattern.element !== undefined || pattern.attribute !== undefined;
}

const framesOf = (sheet: Sheet): readonly AddressPattern[] => sheet.frames;

/* An address in which the URL standard's parser would change nothing up to the end of its path. */
const plainAddress =
  /^(?:https?:)?\/\/([a-z0-9-]+(?:\.[a-z0-9-]+)*\.[a-z][a-z-]*)(?::\d{1,5})?((?:\/(?!\.)[A-Za-z0-9_.~-]*)+)?(?:[?#]|$)/;

/**
 * Finds the sheet to whose items people have links like this one: a provider's, else that of such files on
 * anybody's host, else that of pages of any site.
 */
export function matchLink(link: string, sheets: readonly Sheet[]): SheetMatch | null {
  const known = match(link, sheets, (sheet) => sheet.links);
  if (known) return known;
  const url = parsed(link);
  if (url === null || !/^https?:$/.test(url.protocol)) return null;
  const sheet = sheetOfFile(link, sheets) ?? sheets.find(({ pages }) => pages);
  return sheet ? { sheet, id: link, url } : null;
}

/** The sheet for files with an ending like this address's, on whatever host; null where none is for them. */
export function sheetOfFile(address: string, sheets: readonly Sheet[]): Sheet | null {
  const ending = /\.([A-Za-z0-9]{1,8})(?:[?#]|$)/.exec(address)?.[1]?.toLowerCase();
  return ending === undefined ? null : (sheets.find(({ files }) => files?.includes(ending)) ?? null);
}

/**
 * The sheet of an item that is named by its provider and its id alone (`stallmere:311`), and the
 * id; null for anything else.
 */
export function matchId(text: string, sheets: readonly Sheet[]): { sheet: Sheet; id: string } | null {
  const found = /^\s*([a-z0-9]+(?:-[a-z0-9]+)*):([^\s/<>"'][^\s<>"']{0,200})\s*$/.exec(text);
  const sheet = found && sheets.find(({ id, files, pages }) => id === found[1] && !files && !pages);
  return sheet ? { sheet, id: found[2]! } : null;
}

function match(
  address: string,
  sheets: readonly Sheet[],
  patternsOf: (sheet: Sheet) => readonly AddressPattern[],
): SheetMatch | null {
  const host = plainHost(address);
  if (host !== null && !hostsKnown(sheets).has(host) && !hostsKnown(sheets).has('*')) return null;
  const url = parsed(address);
  if (url === null) return null;
  if (url.protocol !== 'http:' && url.protocol !== 'https:') return null;
  for (const sheet of sheets) {
    for (const pattern of patternsOf(sheet)) {
      if (isPlain(pattern.hostname) && pattern.hostname !== url.hostname) continue;
      const id = idIn(pattern, url);
      if (id) return { sheet, id, url };
    }
  }
  return null;
}

/* Longer ones are nobody's: how long a pattern takes grows with the address. */
const longestAddress = 4096;

function parsed(address: string): URL | null {
  if (address.length > longestAddress) return null;
  try {
    return new URL(address, 'https://relative.invalid/');
  } catch {
    return null;
  }
}

/* The sheet whose script has this plain address; undefined where only the patterns themselves can tell. */
function loaderAt(host: string, path: string, sheets: readonly Sheet[]): Sheet | null | undefined {
  for (const sheet of sheets) {
    for (const pattern of sheet.loaders ?? []) {
      if (pattern.hostname !== host) continue;
      if (!isPlainPath(pattern)) return undefined;
      if (pattern.pathname === path) return sheet;
    }
  }
  return null;
}

/* A path without anything that the URL Pattern standard gives a meaning. */
const isPlainPath = ({ pathname, search }: AddressPattern): boolean =>
  search === undefined && /^(?:\/[A-Za-z0-9._-]+)+$/.test(pathname);

const isPlain = (hostname: string): boolean => /^[a-z0-9.-]+$/.test(hostname);

/**
 * The host of an absolute or protocol-relative http(s) address that is written plainly; null
 * where it takes a parser to tell.
 */
export function plainHost(address: string): string | null {
  return /^(?:https?:)?\/\/([a-z0-9-]+(?:\.[a-z0-9-]+)*)(?::\d+)?(?:[/?#]|$)/.exec(address)?.[1] ?? null;
}

const lists = new WeakMap<Sheet, readonly Sheet[]>();

/** A sheet as the only one: always the same list, so that what is known of a list is worked out once. */
export function alone(sheet: Sheet): readonly Sheet[] {
  let list = lists.get(sheet);
  if (!list) lists.set(sheet, (list = [sheet]));
  return list;
}

const known = new WeakMap<readonly Sheet[], ReadonlySet<string>>();

/* Every host that the sheets' patterns name; `*` where a pattern is for more than one. */
function hostsKnown(sheets: readonly Sheet[]): ReadonlySet<string> {
  let hosts = known.get(sheets);
  if (!hosts) {
    hosts = new Set(
      sheets.flatMap((sheet) =>
        [...sheet.frames, ...sheet.links, ...(sheet.loaders ?? [])].map(({ hostname }) =>
          isPlain(hostname) ? hostname : '*',
        ),
      ),
    );
    known.set(sheets, hosts);
  }
  return hosts;
}

/* The item's id in an address that fits the pattern. */
function idIn(pattern: AddressPattern, url: URL): string | null {
  const short = shortcut(pattern);
  if (short) return decoded(short.exec(url.pathname)?.[1]);
  const found = compiled(pattern).exec(url.href);
  return decoded(found?.pathname.groups['id'] ?? found?.search.groups['id']);
}

/* The id itself, not as an address has to write it. */
function decoded(id: string | undefined): string | null {
  if (id === undefined || !id.includes('%')) return id ?? null;
  try {
    return decodeURIComponent(id);
  } catch {
    return id;
  }
}

const shortcuts = new WeakMap<AddressPattern, RegExp | false>();

/**
 * Most paths are plain words and groups that are whole steps, of which the URL Pattern standard (section 2.2)
 * makes the expression `[^/]+?`, and at most a last step that may be missing; for these the expression is
 * made here, as asking the pattern itself costs ten times as much.
 */
function shortcut(pattern: AddressPattern): RegExp | false {
  let made = shortcuts.get(pattern);
  if (made === undefined) {
    const found =
      isPlain(pattern.hostname) && pattern.search === undefined
        ? /^((?:\/(?:[A-Za-z0-9_-]+|:[a-z]+))*\/:id(?:\/(?:[A-Za-z0-9_-]+|:[a-z]+))*)(?:\{\/([A-Za-z0-9_-]*):[a-z]+\}\?)?$/.exec(
            pattern.pathname,
          )
        : null;
    const steps = (path: string): string =>
      path.replace(/:[a-z]+/g, (group) => (group === ':id' ? '([^/]+?)' : '[^/]+?'));
    made =
      found !== null &&
      new RegExp(`^${steps(found[1]!)}${found[2] === undefined ? '' : `(?:/${found[2]}[^/]+?)?`}$`);
    shortcuts.set(pattern, made);
  }
  return made;
}

/** Whether a pattern can be compiled at all. */
export function canCompile(pattern: AddressPattern): boolean {
  try {
    compiled(pattern);
    return true;
  } catch {
    return false;
  }
}

const cache = new WeakMap<AddressPattern, URLPattern>();

function compiled(pattern: AddressPattern): URLPattern {
  let made = cache.get(pattern);
  if (!made) cache.set(pattern, (made = new URLPattern({ ...pattern })));
  return made;
}
