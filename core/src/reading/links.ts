import { parseAddress } from '../text/index.ts';
import { matchLink } from '../sheets/match.ts';
import { codeFromLink } from '../sheets/render.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { hostsOf } from './addresses.ts';
import { linksIn } from './input.ts';
import type { Reading } from './reading.ts';
import { noSize } from './size.ts';

/** Fills in the reading of a text that consists of links, one a line. */
export function readLinks(reading: Reading, text: string, sheets: readonly Sheet[]): void {
  let at = 0;
  const part = (role: 'text' | 'link', start: number, end: number): number => {
    if (end > start) reading.parts.push({ role, place: 'body', repeat: 'placement', start, end, inside: null, of: [] });
    return reading.parts.length - 1;
  };
  for (const link of linksIn(text)) {
    const start = text.indexOf(link, at);
    part('text', at, start);
    at = start + link.length;
    const index = part('link', start, at);
    // A link is no attribute: nothing in it is a character reference.
    const { parameters } = parseAddress(link, { plain: true });
    reading.addresses.push({ use: 'link', part: index, start, end: at, url: link, parameters: parameters.map(({ name, value, in: place }) => ({ name, value, in: place })) });
    const match = matchLink(link, sheets);
    reading.embeds.push({ kind: match?.sheet.kind ?? 'unknown', provider: match?.sheet.id ?? null, parts: [index], size: noSize });
  }
  part('text', at, text.length);
  reading.hosts = hostsOf(reading.addresses);
  const first = matchLink(reading.addresses[0]!.url, sheets);
  if (!first) {
    reading.kindBecause = 'It is a link, and no provider sheet knows links like it.';
    return;
  }
  const { sheet } = first;
  reading.provider = { id: sheet.id, name: sheet.name };
  reading.sheet = { id: sheet.id, version: sheet.version };
  reading.kind = sheet.kind;
  reading.kindBecause = `It is a link to ${sheet.name}, whose sheet says that it is a ${sheet.kind} provider.`;
  reading.evidence = [{ kind: sheet.kind, weight: 100, reason: `it is a link to ${sheet.name}` }];
  if (reading.addresses.length === 1) reading.made = codeFromLink(first);
}
