import { attribute, parseMarkup, positionsIn, type Markup, type MarkupElement } from '../text/index.ts';
import { rules } from '../rules/index.ts';
import { matchFrame, matchLink } from '../sheets/match.ts';
import { codeFromLink } from '../sheets/render.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { hostsOf, readAddresses } from './addresses.ts';
import { inputOf, linkIn } from './input.ts';
import { findExcess } from './limits.ts';
import { needsOf } from './needs.ts';
import { readParts } from './parts.ts';
import { noSize, sizeOf } from './size.ts';
import type { Kind, ReadAddress, Reading, Size } from './reading.ts';

/** What the reader knows beside the text: the provider sheets, in the order of preference. */
export interface ReadingContext {
  sheets: readonly Sheet[];
}

/**
 * Reads a pasted text: a code, a link, or anything else. Never throws for a text; what cannot be read is said in
 * `findings`. A text beyond the limits gets the one finding `too-much`, and nothing else is done with it.
 */
export function read(text: string, context: ReadingContext): Reading {
  const excess = findExcess(text);
  if (excess) return refused(text, excess);
  const markup = parseMarkup(text);
  const input = inputOf(text, markup);
  const link = input === 'link' ? linkIn(text) : null;
  const reading = link ? readLink(text, link, context) : readCode(markup, input, context);
  const position = positionsIn(text);
  reading.findings = rules
    .flatMap((rule) => rule.check({ reading, markup, sheet: sheetOf(reading, context) }).map((found) => ({ rule: rule.id, level: rule.level, ...found })))
    .map(({ start, end, facts, rule, level }) => ({ rule, level, start, end, ...position(start), facts }))
    .sort((a, b) => a.start - b.start);
  return reading;
}

/** The sheet that a reading names, out of those at hand. */
export function sheetOf(reading: Pick<Reading, 'sheet'>, context: ReadingContext): Sheet | null {
  return context.sheets.find((sheet) => sheet.id === reading.sheet?.id) ?? null;
}

const blank = (input: Reading['input']): Reading => ({
  input,
  kind: 'unknown',
  kindBecause: '',
  provider: null,
  sheet: null,
  embeds: [],
  parts: [],
  size: noSize,
  addresses: [],
  hosts: [],
  needs: { scripts: false, forms: false, popups: false, storage: false, autoplay: false, fullscreen: false },
  claims: [],
  findings: [],
  made: null,
  mark: null,
});

function readCode(markup: Markup, input: Reading['input'], context: ReadingContext): Reading {
  const reading = blank(input);
  const read = readParts(markup);
  reading.parts = read.parts;
  reading.addresses = readAddresses(markup, read);
  reading.hosts = hostsOf(reading.addresses);
  const main = mainElement(markup);
  const match =
    reading.addresses
      .filter((a) => a.use === 'frame')
      .map((a) => matchFrame(a.url, context.sheets))
      .find(Boolean) ?? null;
  const sheet = match?.sheet ?? null;
  reading.provider = sheet && { id: sheet.id, name: sheet.name };
  reading.sheet = sheet && { id: sheet.id, version: sheet.version };
  [reading.kind, reading.kindBecause] = kindOf(input, main, sheet);
  reading.size = main ? sizeOf(markup, main) : noSize;
  reading.needs = needsOf(markup, sheet);
  reading.claims = markup.elements.flatMap((e) => (attribute(e, 'id') ? [{ what: 'id' as const, name: attribute(e, 'id')!, shared: false }] : []));
  reading.mark = markup.elements.map((e) => attribute(e, 'data-orbis')).find(Boolean) ?? null;
  if (main) reading.embeds = [embedOf(reading, sheet, reading.size)];
  return reading;
}

function readLink(text: string, link: string, context: ReadingContext): Reading {
  const reading = blank('link');
  const start = text.indexOf(link);
  const end = start + link.length;
  const tile = (from: number, to: number): Reading['parts'] =>
    to > from ? [{ role: 'text', place: 'body', repeat: 'placement', start: from, end: to, inside: null, of: [] }] : [];
  reading.parts = [...tile(0, start), { role: 'link', place: 'body', repeat: 'placement', start, end, inside: null, of: [] }, ...tile(end, text.length)];
  const part = reading.parts.findIndex((p) => p.role === 'link');
  const url = new URL(link);
  const address: ReadAddress = {
    use: 'link',
    part,
    start,
    end,
    url: link,
    parameters: [...url.searchParams].map(([name, value]) => ({ name, value, in: 'query' as const })),
  };
  reading.addresses = [address];
  reading.hosts = hostsOf(reading.addresses);
  const match = matchLink(link, context.sheets);
  if (!match) {
    reading.kindBecause = 'It is a link, and no provider sheet knows links like it.';
    return reading;
  }
  const { sheet } = match;
  reading.provider = { id: sheet.id, name: sheet.name };
  reading.sheet = { id: sheet.id, version: sheet.version };
  reading.kind = sheet.kind;
  reading.kindBecause = `It is a link to ${sheet.name}, whose sheet says that it is a ${sheet.kind} provider.`;
  reading.made = codeFromLink(match);
  reading.embeds = [embedOf(reading, sheet, noSize)];
  return reading;
}

const embedOf = (reading: Reading, sheet: Sheet | null, size: Size): Reading['embeds'][number] => ({
  kind: reading.kind,
  provider: sheet?.id ?? null,
  parts: reading.parts.flatMap((part, index) => (part.inside === null && part.role !== 'text' && part.role !== 'comment' ? [index] : [])),
  size,
});

/** The element that the code is about: the first frame or player, else a form, else a picture. */
function mainElement(markup: Markup): MarkupElement | null {
  for (const names of [['iframe', 'video', 'audio', 'object', 'embed'], ['form'], ['img']]) {
    const found = markup.elements.find((element) => names.includes(element.name));
    if (found) return found;
  }
  return null;
}

function kindOf(input: Reading['input'], main: MarkupElement | null, sheet: Sheet | null): [Kind, string] {
  if (sheet) return [sheet.kind, `Its frame's address is one of ${sheet.name}, whose sheet says that it is a ${sheet.kind} provider.`];
  const plain: Record<string, [Kind, string]> = {
    video: ['video', 'It is a video element.'],
    audio: ['audio', 'It is an audio element.'],
    form: ['form', 'It is a form.'],
    img: ['image', 'It is a picture.'],
    iframe: ['frame', 'It is a frame, and nothing in it tells what the frame shows.'],
    object: ['frame', 'It is an object element, and nothing in it tells what it shows.'],
    embed: ['frame', 'It is an embed element, and nothing in it tells what it shows.'],
  };
  if (main) return plain[main.name]!;
  if (input === 'empty') return ['unknown', 'There is nothing in it.'];
  if (input === 'code') return ['unknown', 'It has no frame, player, form or picture of its own.'];
  return ['unknown', 'It is text, not code.'];
}

function refused(text: string, excess: NonNullable<ReturnType<typeof findExcess>>): Reading {
  const reading = blank('text');
  reading.kindBecause = 'It was not read, because it is too much.';
  const { what, most, found, offset } = excess;
  const at = Math.min(offset, text.length);
  reading.parts = [{ role: 'text', place: 'body', repeat: 'placement', start: 0, end: text.length, inside: null, of: [] }];
  reading.findings = [{ rule: 'too-much', level: 'error', start: at, end: text.length, ...positionsIn(text)(at), facts: { what, most, found, offset } }];
  return reading;
}
