import {
  attribute,
  parseMarkup,
  parseStyle,
  positionsIn,
  type Markup,
  type MarkupElement,
} from '../text/index.ts';
import { sheetOfFile } from '../sheets/match.ts';
import { checkCode } from '../rules/index.ts';
import { reason, type Reason } from '../reason.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { hostsOf, readAddresses } from './addresses.ts';
import { claimsOf } from './claims.ts';
import { mainElements, sheetFor } from './embeds.ts';
import { noInner, readInner, type Inner } from './inner.ts';
import { inputOf } from './input.ts';
import { lengthIn } from './known-length.ts';
import { kindOf } from './kind/index.ts';
import { excessIn, findExcess, type Excess } from './limits.ts';
import { readId, readLinks } from './links.ts';
import { mendingOf } from './mending.ts';
import { needsOf } from './needs.ts';
import { readParts, settleScripts, type PartsRead } from './parts.ts';
import { addFrameDocuments } from './srcdoc.ts';
import { describeEach } from './several.ts';
import { noSize, sizeOf } from './size.ts';
import { unitsOf } from './units.ts';
import { insideOf, type Inside } from './inside.ts';
import { withProvedMends } from './proved-mends.ts';
import type { FoundFact, ReadAddress, Reading } from './reading.ts';

/** What the reader knows beside the text. */
export interface ReadingContext {
  /** The provider sheets, in the order of preference. */
  sheets: readonly Sheet[];
  /** How long the content is, in seconds, where somebody told. */
  length?: number | null;
}

/**
 * Reads a pasted text: a code, a link, or anything else. Never throws for a text; what cannot be read is said
 * in `findings`. A text beyond the limits gets the one finding `too-much`, and nothing else is done with it.
 */
export function read(text: string, context: ReadingContext): Reading {
  return readWhole(text, context).reading;
}

/** A text that was read, with what it was parsed into. */
export interface ReadWhole {
  reading: Reading;
  markup: Markup;
  /** How long its content is, in seconds, where the code or somebody told. */
  length: number | null;
  inside: Inside;
}

const nothing = { markup: parseMarkup(''), inside: insideOf(parseMarkup(''), []) };

/**
 * Reads a text, and gives what it was parsed into as well: a text beyond the limits
 * is as one without elements.
 */
export function readWhole(text: string, context: ReadingContext): ReadWhole {
  const excess = findExcess(text);
  if (excess) return { reading: refused(text, excess), ...nothing, length: null };
  const markup = parseMarkup(text);
  const tooDeep = excessIn(markup);
  if (tooDeep) return { reading: refused(text, tooDeep), ...nothing, length: null };
  const { inner, ...read } = readMarkup(markup, context);
  read.reading.findings = withProvedMends(read.reading.findings, text, (mended) =>
    findingsIn(mended, context),
  );
  return { ...read, inside: insideOf(markup, inner.styles), markup };
}

/* What is found in a text, its mendings as the rules offer them. */
function findingsIn(text: string, context: ReadingContext): FoundFact[] {
  const markup = parseMarkup(text);
  return excessIn(markup) ? [] : readMarkup(markup, context).reading.findings;
}

interface ReadMarkup extends Pick<ReadWhole, 'reading' | 'length'> {
  inner: Inner;
}

function readMarkup(markup: Markup, context: ReadingContext): ReadMarkup {
  const { text } = markup;
  const mending = mendingOf(text);
  const input = inputOf(text, markup, mending, context.sheets);
  const reading = blank(input, mending);
  const inner = input === 'code' ? readInner(markup) : noInner;
  if (input === 'link') readLinks(reading, text, context.sheets);
  else if (input === 'id') readId(reading, text, context.sheets);
  else readCode(reading, markup, inner, context);
  const length = context.length ?? (input === 'code' ? lengthIn(markup) : null);
  reading.findings = checkCode({ reading, markup, inner, sheet: sheetOf(reading, context), length });
  return { reading, length, inner };
}

/** The sheet that a reading names, out of those at hand. */
export function sheetOf(reading: Pick<Reading, 'sheet'>, context: ReadingContext): Sheet | null {
  return reading.sheet === null
    ? null
    : (context.sheets.find((sheet) => sheet.id === reading.sheet?.id) ?? null);
}

const blank = (input: Reading['input'], mending: Reading['mending']): Reading => ({
  input,
  kind: 'unknown',
  kindReasons: [],
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
  generated: null,
  asked: {},
  mark: null,
});

const notCode: Partial<Record<Reading['input'], Reason>> = {
  'empty': reason('nothing-there'),
  'visible-code': reason('code-as-text'),
  'text': reason('no-code-there'),
};

function readCode(reading: Reading, markup: Markup, inner: Inner, { sheets }: ReadingContext): void {
  const read = readParts(markup);
  reading.parts = read.parts;
  if (reading.input !== 'code') {
    reading.kindReasons = [notCode[reading.input]!];
    return;
  }
  settleScripts(markup, read, inner.factsOf);
  reading.addresses = readAddresses(markup, read);
  reading.hosts = hostsOf(reading.addresses, inner.scripts, withStyleAttributes(markup, inner.styles));
  const sheet = describe(reading, markup, read, inner, sheets);
  reading.needs = needsOf(markup, inner.scripts, sheet);
  reading.claims = claimsOf(markup, inner.scripts, inner.styles);
  for (const element of markup.elements) reading.mark ??= attribute(element, 'data-orbis');
  addFrameDocuments(reading, markup);
}

/* What the code is, whose, how large, and its embeds; gives the sheet that knows it. */
function describe(
  reading: Reading,
  markup: Markup,
  read: PartsRead,
  inner: Inner,
  sheets: readonly Sheet[],
): Sheet | null {
  const { addresses } = reading;
  const mains = mainElements(markup);
  const main = mains[0] ?? null;
  const units = unitsOf(read, mains);
  const provider = sheetFor(addresses, markup.elements, sheets);
  const sheet = provider ?? fileSheet(main, addresses, sheets);
  const whole = (): Told => kindOf(markup, main, addresses, sheet, inner.scripts);
  if (units.length < 2) {
    tell(reading, whole(), provider, sheet);
    const shown = main ?? onlyMount(read);
    reading.size = shown ? sizeOf(markup, shown, inner.styles) : noSize;
    reading.embeds = onlyEmbed(reading);
    return sheet;
  }
  // Of several embeds, the first is described: what speaks for the others says nothing of it.
  const several = describeEach(units, markup, read, addresses, inner, sheets, whole);
  tell(reading, several.first, several.sheet ?? provider, several.sheet ?? sheet);
  reading.size = sizeOf(markup, units[0]!.element, inner.styles);
  reading.embeds = several.embeds;
  return several.sheet ?? sheet;
}

function tell(reading: Reading, told: Told, provider: Sheet | null, sheet: Sheet | null): void {
  reading.kind = told.kind;
  reading.kindReasons = told.kindReasons;
  reading.evidence = told.evidence;
  reading.provider = provider && { id: provider.id, name: provider.name };
  reading.sheet = sheet && { id: sheet.id, version: sheet.version };
}

type Told = Pick<Reading, 'kind' | 'kindReasons' | 'evidence'>;

function onlyEmbed({ parts, kind, provider, size }: Reading): Reading['embeds'] {
  const top: number[] = [];
  for (let i = 0; i < parts.length; i++) {
    const { inside, role } = parts[i]!;
    if (inside === null && role !== 'text' && role !== 'comment') top.push(i);
  }
  return top.length > 0 ? [{ kind, provider: provider?.id ?? null, parts: top, size }] : [];
}

/* The one element that a script fills. */
function onlyMount({ parts, elements }: PartsRead): MarkupElement | null {
  const mounts = parts.flatMap(({ role }, i) => (role === 'mount' ? [i] : []));
  return mounts.length === 1 ? (elements[mounts[0]!] ?? null) : null;
}

/* A file on a host of anybody's: no provider, but a sheet for such files. */
function fileSheet(
  main: MarkupElement | null,
  addresses: readonly ReadAddress[],
  sheets: readonly Sheet[],
): Sheet | null {
  const address =
    main &&
    addresses.find(({ use, start, end }) => shownUses.has(use) && start > main.start && end <= main.end);
  return address ? sheetOfFile(address.url, sheets) : null;
}
const shownUses: ReadonlySet<ReadAddress['use']> = new Set(['media', 'frame', 'image']);

/* The addresses in `style` attributes have no place of their own in the list: only their hosts count. */
function withStyleAttributes(markup: Markup, styles: Inner['styles']): Inner['styles'] {
  let addresses: Inner['styles'][number]['addresses'] | null = null;
  for (const element of markup.elements) {
    const style = attribute(element, 'style');
    if (style === null || !/url\(/i.test(style)) continue;
    addresses ??= [];
    for (const { value } of parseStyle(style))
      for (const found of value.matchAll(/url\(\s{0,8}["']?([^"')\s]+)/gi))
        addresses.push({ url: found[1]!, use: 'image' });
  }
  return addresses ? [...styles, { whole: true, addresses, rules: [] }] : styles;
}

function refused(text: string, excess: Excess): Reading {
  const reading = blank('text', null);
  reading.kindReasons = [reason('too-much-to-read')];
  const { what, most, found, offset } = excess;
  const at = Math.min(offset, text.length);
  reading.parts = [
    { role: 'text', place: 'body', repeat: 'placement', start: 0, end: text.length, inside: null, of: [] },
  ];
  reading.findings = [
    {
      rule: 'too-much',
      level: 'error',
      start: at,
      end: text.length,
      ...positionsIn(text)(at),
      facts: { what, most, found, offset },
      mend: [],
    },
  ];
  return reading;
}
