import { attribute, parseMarkup, parseStyle, positionsIn, type Markup, type MarkupElement } from '../text/index.ts';
import { rules } from '../rules/index.ts';
import { matchFrame, matchLink } from '../sheets/match.ts';
import { codeFromLink } from '../sheets/render.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { hostsOf, readAddresses, styleAttributes } from './addresses.ts';
import { claimsOf } from './claims.ts';
import { readInner, type Inner } from './inner.ts';
import { inputOf, linksIn } from './input.ts';
import { kindOf } from './kind.ts';
import { findExcess } from './limits.ts';
import { mendingOf } from './mending.ts';
import { needsOf } from './needs.ts';
import { readParts, settleScripts, type PartsRead } from './parts.ts';
import { noSize, sizeOf } from './size.ts';
import type { ReadAddress, Reading } from './reading.ts';

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
  const mending = mendingOf(text);
  const input = inputOf(text, markup, mending);
  const reading = blank(input, mending);
  const inner = input === 'code' ? readInner(markup) : readInner(parseMarkup(''));
  if (input === 'link') readLinks(reading, text, context);
  else readCode(reading, markup, inner, context);
  addFindings(reading, markup, inner, context);
  return reading;
}

/** The sheet that a reading names, out of those at hand. */
export function sheetOf(reading: Pick<Reading, 'sheet'>, context: ReadingContext): Sheet | null {
  return reading.sheet === null ? null : (context.sheets.find((sheet) => sheet.id === reading.sheet?.id) ?? null);
}

const blank = (input: Reading['input'], mending: Reading['mending']): Reading => ({
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
  evidence: [],
  mending,
  made: null,
  mark: null,
});

function addFindings(reading: Reading, markup: Markup, inner: Inner, context: ReadingContext): void {
  const sheet = sheetOf(reading, context);
  const found = rules.flatMap((rule) => rule.check({ reading, markup, inner, sheet }).map((finding) => ({ rule: rule.id, level: rule.level, ...finding })));
  if (found.length === 0) return;
  const position = positionsIn(markup.text);
  reading.findings = found.map(({ start, end, facts, rule, level }) => ({ rule, level, start, end, ...position(start), facts })).sort((a, b) => a.start - b.start);
}

function readCode(reading: Reading, markup: Markup, inner: Inner, context: ReadingContext): void {
  const read = readParts(markup);
  reading.parts = read.parts;
  if (reading.input !== 'code') {
    reading.kindBecause =
      reading.input === 'empty' ? 'There is nothing in it.' : reading.input === 'visible-code' ? 'It is code that was written as text.' : 'It is text, not code.';
    return;
  }
  settleScripts(markup, read, inner.factsOf);
  reading.addresses = readAddresses(markup, read);
  const inStyles = styleAttributes(markup).filter(({ value }) => /url\(/i.test(value));
  const pictures = inStyles.flatMap(({ value }) =>
    parseStyle(value).flatMap((d) => [...d.value.matchAll(/url\(\s{0,8}["']?([^"')\s]+)/gi)].map((found) => ({ url: found[1]!, use: 'image' as const }))),
  );
  reading.hosts = hostsOf(reading.addresses, inner.scripts, pictures.length > 0 ? [...inner.styles, { whole: true, addresses: pictures, rules: [] }] : inner.styles);
  const mains = mainElements(markup);
  const main = mains[0] ?? null;
  const sheet = sheetFor(reading.addresses, context);
  reading.provider = sheet && { id: sheet.id, name: sheet.name };
  reading.sheet = sheet && { id: sheet.id, version: sheet.version };
  Object.assign(reading, kindOf(markup, main, reading.addresses, sheet, inner.scripts));
  reading.size = main ? sizeOf(markup, main, inner.styles) : noSize;
  reading.needs = needsOf(markup, inner.scripts, sheet);
  reading.claims = claimsOf(markup, inner.scripts, inner.styles);
  for (const element of markup.elements) reading.mark ??= attribute(element, 'data-orbis');
  reading.embeds = embedsOf(reading, markup, read, mains, inner, context);
}

const sheetFor = (addresses: readonly ReadAddress[], { sheets }: ReadingContext): Sheet | null => {
  for (const { use, url } of addresses) {
    const match = use === 'frame' ? matchFrame(url, sheets) : null;
    if (match) return match.sheet;
  }
  return null;
};

/* The elements that codes are about, in the order of the text; where there is a frame or player, pictures and forms are beside it. */
const ranks: readonly (readonly string[])[] = [['iframe', 'video', 'audio', 'object', 'embed', 'frame'], ['form'], ['blockquote'], ['img', 'picture']];

function mainElements(markup: Markup): MarkupElement[] {
  const standing = (element: MarkupElement): boolean => {
    for (let at = element.parent; at; at = at.parent) if (['noscript', 'object', 'video', 'audio', 'picture', 'blockquote', 'template'].includes(at.name)) return false;
    return true;
  };
  for (const names of ranks) {
    const found = markup.elements.filter((element) => names.includes(element.name) && standing(element));
    if (found.length > 0) return found;
  }
  return [];
}

/* Each main element is an embed of its own; of mounts, each that is alone in its kind. What serves all of them is in the first. */
function embedsOf(reading: Reading, markup: Markup, { parts, elements }: PartsRead, mains: readonly MarkupElement[], inner: Inner, context: ReadingContext): Reading['embeds'] {
  const top = parts.flatMap((part, i) => (part.inside === null && part.role !== 'text' && part.role !== 'comment' ? [i] : []));
  const heldBy = (element: MarkupElement): number | undefined => top.find((i) => parts[i]!.start <= element.start && parts[i]!.end >= element.end);
  const separate = mains.filter((element) => element.name !== 'img' && element.name !== 'picture');
  if (separate.length < 2) {
    const mounts = top.filter((i) => parts[i]!.role === 'mount');
    if (separate.length === 0 && mounts.length > 1) {
      const [first] = mounts;
      return mounts.map((mount) => ({
        kind: reading.kind,
        provider: reading.provider?.id ?? null,
        parts: mount === first ? top.filter((i) => i === mount || parts[i]!.role !== 'mount') : [mount],
        size: elements[mount] ? sizeOf(markup, elements[mount], inner.styles) : noSize,
      }));
    }
    return top.length > 0 && reading.parts.length > 0 ? [{ kind: reading.kind, provider: reading.provider?.id ?? null, parts: top, size: reading.size }] : [];
  }
  const owned = new Map(separate.map((element) => [element, heldBy(element)]));
  const spoken = new Set([...owned.values()].filter((i) => i !== undefined));
  return separate.map((element, n) => {
    const own = reading.addresses.filter((address) => address.start > element.start && address.end < element.end);
    const sheet = sheetFor(own, context);
    const { kind } = kindOf({ ...markup, elements: markup.elements.filter((e) => e.start >= element.start && e.end <= element.end) }, element, own, sheet);
    const held = owned.get(element);
    return {
      kind,
      provider: sheet?.id ?? null,
      parts: [...(held === undefined ? [] : [held]), ...(n === 0 ? top.filter((i) => !spoken.has(i)) : [])].sort((a, b) => a - b),
      size: sizeOf(markup, element, inner.styles),
    };
  });
}

function readLinks(reading: Reading, text: string, context: ReadingContext): void {
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
    const parameters = [...new URL(link).searchParams].map(([name, value]) => ({ name, value, in: 'query' as const }));
    reading.addresses.push({ use: 'link', part: index, start, end: at, url: link, parameters });
    const match = matchLink(link, context.sheets);
    reading.embeds.push({ kind: match?.sheet.kind ?? 'unknown', provider: match?.sheet.id ?? null, parts: [index], size: noSize });
  }
  part('text', at, text.length);
  reading.hosts = hostsOf(reading.addresses);
  const first = matchLink(reading.addresses[0]!.url, context.sheets);
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

function refused(text: string, excess: NonNullable<ReturnType<typeof findExcess>>): Reading {
  const reading = blank('text', null);
  reading.kindBecause = 'It was not read, because it is too much.';
  const { what, most, found, offset } = excess;
  const at = Math.min(offset, text.length);
  reading.parts = [{ role: 'text', place: 'body', repeat: 'placement', start: 0, end: text.length, inside: null, of: [] }];
  reading.findings = [{ rule: 'too-much', level: 'error', start: at, end: text.length, ...positionsIn(text)(at), facts: { what, most, found, offset } }];
  return reading;
}
