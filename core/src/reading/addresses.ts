import {
  attribute,
  decodeAttribute,
  innerText,
  parseAddress,
  type Markup,
  type MarkupElement,
} from '../text/index.ts';
import type { HostContact, ReadAddress, Use } from './reading.ts';
import { plainHost } from '../sheets/match.ts';
import type { PartsRead } from './parts.ts';
import { addressesIn, type ScriptFacts } from './scripts/index.ts';
import type { StyleFacts } from './style-rules.ts';

/* Attributes that hold one address each, by element; `*` is any (HTML, index of attributes; the
   old ones are still obeyed). */
const plain = {
  iframe: { src: 'frame' },
  frame: { src: 'frame' },
  embed: { src: (e: MarkupElement) => mediaUse(attribute(e, 'type'), 'frame') },
  object: { data: (e: MarkupElement) => mediaUse(attribute(e, 'type'), 'frame') },
  script: { src: 'script' },
  link: {
    href: (e: MarkupElement) =>
      /\bstylesheet\b/i.test(attribute(e, 'rel') ?? '')
        ? 'stylesheet'
        : /\bicon\b/i.test(attribute(e, 'rel') ?? '')
          ? 'image'
          : 'data',
  },
  img: { src: 'image', longdesc: 'link' },
  input: { src: 'image', formaction: 'form' },
  button: { formaction: 'form' },
  video: { src: 'media', poster: 'image' },
  audio: { src: 'media' },
  source: { src: 'media' },
  track: { src: 'data' },
  form: { action: 'form' },
  a: { href: 'link', ping: 'data' },
  area: { href: 'link', ping: 'data' },
  blockquote: { cite: 'link' },
  q: { cite: 'link' },
  body: { background: 'image' },
  table: { background: 'image' },
  td: { background: 'image' },
} satisfies Record<string, Record<string, Use | ((element: MarkupElement) => Use)>>;
const usesByElement = new Map(
  Object.entries(plain).map(([element, uses]) => [
    element,
    new Map<string, Use | ((element: MarkupElement) => Use)>(Object.entries(uses)),
  ]),
);

function mediaUse(type: string | null, other: Use): Use {
  return type && /^image\//i.test(type)
    ? 'image'
    : type && /^(?:video|audio)\//i.test(type)
      ? 'media'
      : other;
}

/* Attributes by which scripts load later what their names say. */
const lazy =
  /^data-(?:[a-z-]*-)?(?:src|url|href|link|poster|bg|background|srcset|embed|action|endpoint|api|host)$/;

/**
 * The addresses that stand in attributes, in the order of the text, each with its
 * parameters and its exact place.
 */
export function readAddresses(markup: Markup, read: PartsRead): ReadAddress[] {
  const out: ReadAddress[] = [];
  const { text } = markup;
  for (const element of markup.elements) {
    const own = usesByElement.get(element.name);
    for (const { name, value } of element.attributes.entries) {
      const use = own?.get(name) ?? otherUse(element, name, value);
      if (use) push(out, text, read, element, name, typeof use === 'function' ? use(element) : use);
      else if (name === 'srcset' || name === 'imagesrcset') pushSet(out, text, read, element, name);
      else if (name === 'content' && element.name === 'meta') pushRefresh(out, text, read, element);
      else if (name.startsWith('data-') || element.name === 'param')
        pushInside(out, text, read, element, name);
    }
  }
  return out;
}

/* What an attribute is for that HTML gives no address to, or that any drawing has. */
function otherUse(element: MarkupElement, name: string, value: string): Use | null {
  if (name.startsWith('data-'))
    return isAbsolute.test(value) && (lazy.test(name) || isFile(value)) ? lazyUse(element, name) : null;
  // A provider's own element, and what a plug-in is told, have names of their own.
  if (element.name.includes('-') || (element.name === 'param' && name === 'value'))
    return isAbsolute.test(value) && name !== 'xmlns' ? ownUse(name, value) : null;
  return name === 'xlink:href' || (name === 'href' && element.name === 'use') ? 'image' : null;
}

const isAbsolute = /^\s*(?:https?:)?\/\/[^\s/]/i;

const ownUse = (name: string, value: string): Use =>
  /\.(?:mp4|webm|m3u8|mpd|mov|mp3|ogg|wav|m4a)(?:[?#]|$)/i.test(value)
    ? 'media'
    : /poster|thumb|image|img|background/.test(name)
      ? 'image'
      : name === 'href'
        ? 'link'
        : 'data';

/* A player’s script is told the files by attributes of any name. */
const isFile = (address: string): boolean =>
  /^[^?#\s]*\.(?:mp4|webm|m3u8|mpd|mov|mp3|ogg|wav|m4a|vtt|srt|jpe?g|png|webp|avif|gif|svg|json|pdf|glb|gpx|geojson|kml)(?:[?#]\S*)?\s*$/i.test(
    address,
  );

const lazyUse = (element: MarkupElement, name: string): Use =>
  element.name === 'iframe'
    ? 'frame'
    : element.name === 'img' || /poster|bg|background|srcset/.test(name)
      ? 'image'
      : ['video', 'audio', 'source'].includes(element.name)
        ? 'media'
        : element.name === 'script'
          ? 'script'
          : 'data';

function push(
  out: ReadAddress[],
  text: string,
  read: PartsRead,
  element: MarkupElement,
  name: string,
  use: Use,
): void {
  const found = element.attributes.get(name);
  if (!found) return;
  const { url, parameters } = parseAddress(text.slice(found.valueStart, found.valueEnd));
  out.push({
    use,
    part: partAt(read, element.start),
    start: found.valueStart,
    end: found.valueEnd,
    url,
    parameters: parameters.map(({ name: key, value, in: place }) => ({ name: key, value, in: place })),
  });
}

/* Each candidate of a `srcset` is an address up to the next blank (HTML, section 4.8.4.2.1). */
function pushSet(
  out: ReadAddress[],
  text: string,
  read: PartsRead,
  element: MarkupElement,
  name: string,
): void {
  const found = element.attributes.get(name);
  if (!found) return;
  const { text: value, at } = decodeAttribute(text.slice(found.valueStart, found.valueEnd));
  const candidate = /[^\s,]\S*/g;
  for (let match = candidate.exec(value); match; match = candidate.exec(value)) {
    const url = match[0].replace(/,$/, '');
    if (/^\d+(?:\.\d+)?[wxh]$/.test(url)) continue;
    const start = found.valueStart + at[match.index]!;
    out.push({
      use: 'image',
      part: partAt(read, element.start),
      start,
      end: found.valueStart + at[match.index + url.length]!,
      url,
      parameters: [],
    });
  }
}

/* Addresses inside what a script reads: JSON, or parameters of a plug-in. */
const mostInside = 20;

function pushInside(
  out: ReadAddress[],
  text: string,
  read: PartsRead,
  element: MarkupElement,
  name: string,
): void {
  const found = element.attributes.get(name);
  if (!found || !/^[[{]|=https?:/.test(found.value) || !found.value.includes('//')) return;
  let from = found.valueStart;
  for (const url of addressesIn(found.value).slice(0, mostInside)) {
    const start = text.indexOf(url, from);
    if (start < 0 || start >= found.valueEnd) continue;
    from = start + url.length;
    const part = partAt(read, element.start);
    out.push({ use: 'data', part, start, end: from, url, parameters: [] });
  }
}

function pushRefresh(out: ReadAddress[], text: string, read: PartsRead, element: MarkupElement): void {
  if (attribute(element, 'http-equiv')?.toLowerCase() !== 'refresh') return;
  const found = element.attributes.get('content')!;
  const url = /^\s*\d+\s*[;,]\s*url\s*=\s*["']?([^"']+)/i.exec(found.value)?.[1];
  const start = url ? text.indexOf(url, found.valueStart) : -1;
  if (url && start >= 0 && start < found.valueEnd)
    out.push({
      use: 'frame',
      part: partAt(read, element.start),
      start,
      end: start + url.length,
      url,
      parameters: [],
    });
}

/* The innermost part that holds an offset: the last one that begins before it, or whichever of those around
   that has not ended. */
function partAt({ parts }: PartsRead, offset: number): number {
  let low = 0;
  let high = parts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (parts[middle]!.start <= offset) low = middle;
    else high = middle - 1;
  }
  let found: number | null = low;
  while (found !== null && parts[found]!.end <= offset) found = parts[found]!.inside;
  return found ?? low;
}

/**
 * Every host that a visitor's browser would contact, by itself or on use: from
 * attributes, scripts and styles.
 */
export function hostsOf(
  addresses: readonly ReadAddress[],
  scripts: readonly ScriptFacts[] = [],
  styles: readonly StyleFacts[] = [],
): HostContact[] {
  const hosts = new Map<string, HostContact>();
  const note = (url: string, use: Use, when: 'load' | 'use'): void => {
    const host = hostOf(url);
    if (host === null) return;
    const known = hosts.get(host);
    if (!known) hosts.set(host, { host, uses: [use], when });
    else {
      if (!known.uses.includes(use)) known.uses.push(use);
      if (when === 'load') known.when = 'load';
    }
  };
  for (const { url, use } of addresses) note(url, use, use === 'link' || use === 'form' ? 'use' : 'load');
  for (const facts of scripts) for (const { url, use, when } of facts.addresses) note(url, use, when);
  for (const facts of styles) for (const { url, use } of facts.addresses) note(url, use, 'load');
  return [...hosts.values()];
}

/**
 * The host name of an absolute or protocol-relative address (http, https, ws, wss), without its
 * port; null for anything else.
 */
export function hostOf(written: string): string | null {
  // Tabs and line ends are taken out before anything is read (URL, section 4.4).
  const address = /[\t\n\r]/.test(written) ? written.replaceAll(/[\t\n\r]/g, '') : written;
  const plainly = plainHost(address);
  // A last label of digits may be a number in disguise: only the URL standard's parser can tell.
  if (plainly !== null && /\.[a-z][a-z-]*$|^localhost$/.test(plainly)) return plainly;
  const full = address.startsWith('//') ? `https:${address}` : address;
  if (!/^(?:https?|wss?):/i.test(full)) return null;
  try {
    return new URL(full).hostname;
  } catch {
    return null;
  }
}

/** The text of every inline script or style element of one name. */
export const innerTexts = (
  markup: Markup,
  name: 'script' | 'style',
): { element: MarkupElement; text: string }[] =>
  markup.elements
    .filter((element) => element.name === name && !(name === 'script' && element.attributes.has('src')))
    .map((element) => ({ element, text: innerText(markup.text, element) }));
