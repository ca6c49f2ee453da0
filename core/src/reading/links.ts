import { parseAddress } from '../text/index.ts';
import { matchId, matchLink, type SheetMatch } from '../sheets/match.ts';
import { codeFromLink, matchOfId } from '../sheets/render.ts';
import type { Options } from '../options/values.ts';
import { readTime } from '../sheets/time-format.ts';
import { reason, type Reason } from '../reason.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { hostsOf } from './addresses.ts';
import { linksIn } from './input.ts';
import type { ReadAddress, Reading } from './reading.ts';
import { noSize } from './size.ts';

/** Fills in the reading of a text that consists of links, one a line. */
export function readLinks(reading: Reading, text: string, sheets: readonly Sheet[]): void {
  let at = 0;
  const part = (role: 'text' | 'link', start: number, end: number): number => {
    if (end > start)
      reading.parts.push({ role, place: 'body', repeat: 'placement', start, end, inside: null, of: [] });
    return reading.parts.length - 1;
  };
  for (const link of linksIn(text)) {
    const start = text.indexOf(link, at);
    part('text', at, start);
    at = start + link.length;
    const index = part('link', start, at);
    // A link is no attribute: nothing in it is a character reference.
    const { parameters } = parseAddress(link, { plain: true });
    reading.addresses.push({
      use: 'link',
      part: index,
      start,
      end: at,
      url: link,
      parameters: parameters.map(({ name, value, in: place }) => ({ name, value, in: place })),
    });
    const match = matchLink(link, sheets);
    reading.embeds.push({
      kind: match?.sheet.kind ?? 'unknown',
      provider: match && !match.sheet.files && !match.sheet.pages ? match.sheet.id : null,
      parts: [index],
      size: noSize,
    });
  }
  part('text', at, text.length);
  reading.hosts = hostsOf(reading.addresses);
  const first = matchLink(reading.addresses[0]!.url, sheets);
  if (!first) {
    reading.kindReasons = [reason('link-of-nobody')];
    return;
  }
  const { sheet } = first;
  const facts = { provider: sheet.name, kind: sheet.kind };
  describe(
    reading,
    first,
    reason(sheet.files ? 'link-to-file' : sheet.pages ? 'link-to-page' : 'link-to-provider', facts),
  );
  if (reading.addresses.length !== 1) return;
  reading.generated = codeFromLink(first);
  reading.asked = askedBy(reading.addresses[0]!, sheet);
}

/** Fills in the reading of a text that names a provider and an item's id, and nothing else. */
export function readId(reading: Reading, text: string, sheets: readonly Sheet[]): void {
  const { sheet, id } = matchId(text, sheets)!;
  reading.parts.push({
    role: 'text',
    place: 'body',
    repeat: 'placement',
    start: 0,
    end: text.length,
    inside: null,
    of: [],
  });
  reading.embeds.push({ kind: sheet.kind, provider: sheet.id, parts: [0], size: noSize });
  const match = matchOfId(sheet, id);
  describe(reading, match, reason('names-provider', { provider: sheet.name, kind: sheet.kind }));
  reading.generated = codeFromLink(match);
}

function describe(reading: Reading, match: SheetMatch, why: Reason): void {
  const { sheet } = match;
  const provider = !sheet.files && !sheet.pages;
  reading.provider = provider ? { id: sheet.id, name: sheet.name } : null;
  reading.sheet = { id: sheet.id, version: sheet.version };
  reading.kind = sheet.kind;
  reading.kindReasons = [why];
  reading.evidence = [{ kind: sheet.kind, weight: provider ? 100 : 40, reason: why }];
}

/* A link's own time to start at; a fragment's, for files (Media Fragments URI 1.0, section 4.2.1). */
function askedBy({ parameters }: ReadAddress, { linkTime, settings }: Sheet): Options {
  const found = linkTime && parameters.find((p) => p.in === linkTime.in && p.name === linkTime.name)?.value;
  const seconds = found ? readTime(found, linkTime.format) : null;
  return seconds === null || seconds === 0 || !settings.start ? {} : { start: seconds };
}
