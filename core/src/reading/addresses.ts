import { attribute, parseAddress, type Markup, type MarkupElement } from '../text/index.ts';
import type { HostContact, ReadAddress, Use } from './reading.ts';
import type { PartsRead } from './parts.ts';

/* Attributes that hold one address each, by element (HTML, index of attributes). */
const table: { element: string; attribute: string; use: (element: MarkupElement) => Use }[] = [
  { element: 'iframe', attribute: 'src', use: () => 'frame' },
  { element: 'embed', attribute: 'src', use: () => 'frame' },
  { element: 'object', attribute: 'data', use: () => 'frame' },
  { element: 'script', attribute: 'src', use: () => 'script' },
  { element: 'link', attribute: 'href', use: (e) => (/\bstylesheet\b/i.test(attribute(e, 'rel') ?? '') ? 'stylesheet' : 'data') },
  { element: 'img', attribute: 'src', use: () => 'image' },
  { element: 'video', attribute: 'src', use: () => 'media' },
  { element: 'video', attribute: 'poster', use: () => 'image' },
  { element: 'audio', attribute: 'src', use: () => 'media' },
  { element: 'source', attribute: 'src', use: () => 'media' },
  { element: 'track', attribute: 'src', use: () => 'data' },
  { element: 'form', attribute: 'action', use: () => 'form' },
  { element: 'a', attribute: 'href', use: () => 'link' },
];

/** The addresses that stand plainly in attributes, in the order of the text. */
export function readAddresses(markup: Markup, read: PartsRead): ReadAddress[] {
  const out: ReadAddress[] = [];
  for (const element of markup.elements) {
    for (const row of table) {
      if (row.element !== element.name) continue;
      const found = element.attributes.get(row.attribute);
      if (!found) continue;
      const { url, parameters } = parseAddress(markup.text.slice(found.valueStart, found.valueEnd));
      out.push({
        use: row.use(element),
        part: partAt(read, element.start),
        start: found.valueStart,
        end: found.valueEnd,
        url,
        parameters: parameters.map(({ name, value, in: place }) => ({ name, value, in: place })),
      });
    }
  }
  return out.sort((a, b) => a.start - b.start);
}

/* The innermost part that holds an offset: the last one that begins before it, or whichever of those around that has not ended. */
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

/** Every host that the addresses name, with how it is used. */
export function hostsOf(addresses: readonly ReadAddress[]): HostContact[] {
  const hosts = new Map<string, HostContact>();
  for (const { url, use } of addresses) {
    const host = hostOf(url);
    if (host === null) continue;
    const when = use === 'link' || use === 'form' ? 'use' : 'load';
    const known = hosts.get(host) ?? { host, uses: [], when };
    if (!known.uses.includes(use)) known.uses.push(use);
    if (when === 'load') known.when = 'load';
    hosts.set(host, known);
  }
  return [...hosts.values()];
}

/** The host name of an absolute or protocol-relative http(s) address, without its port; null for anything else. */
export function hostOf(address: string): string | null {
  const full = address.startsWith('//') ? `https:${address}` : address;
  if (!/^https?:/i.test(full) || !URL.canParse(full)) return null;
  return new URL(full).hostname;
}
