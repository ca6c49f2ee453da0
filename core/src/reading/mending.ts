import { decodeHTML } from 'entities/decode';
import { applyMends } from './apply-mends.ts';
import { reason, type Reason } from '../reason.ts';
import type { Reading } from './reading.ts';

type Mending = NonNullable<Reading['mending']>;

/**
 * What would make a text readable that is not as it was pasted: code that came as text, typographic quotes
 * around attribute values, a last tag that is left open. The edits count in the paste; null where nothing is
 * to be mended so.
 */
export function mendingOf(text: string): Mending | null {
  return visibleCode(text) ?? curlyQuotes(text) ?? oddBlanks(text) ?? openTag(text);
}

const tag = /<\/?[a-z][a-z0-9-]*(?:\s[^<>]*)?>/i;
/* What a rich-text field, a page or Markdown puts around a code that is shown. */
const shown =
  /<\/?(?:p|div|span|br|pre|code|b|i|u|strong|em|font|samp|kbd|tt|mark|small|textarea|xmp|ul|ol|li|table|tbody|tr|td|th|figure|figcaption|section|article|blockquote|h[1-6])\b[^<>]*>/gi;
const fence = /^[ \t]{0,3}(?:`{3}|~{3})[^\n]*$/;

function visibleCode(text: string): Mending | null {
  if (text.includes('```') || text.includes('~~~')) {
    const lines = text.split('\n');
    const inner = lines.filter((line) => !fence.test(line.trimEnd()));
    if (inner.length < lines.length && tag.test(inner.join('\n')))
      return whole(text, inner.join('\n').trim(), reason('code-block-off'));
  }
  const tick = text.includes('`') ? /^\s*`([^`]+)`\s*$/.exec(text)?.[1] : undefined;
  if (tick && tag.test(tick)) return whole(text, tick, reason('code-word-off'));
  const written = textOfProgram(text);
  if (written !== null) return whole(text, written, reason('program-text-becomes-code'));
  if (!text.includes('&') || !/&(?:amp;)*(?:lt|#0{0,4}60|#x0{0,4}3c);?/i.test(text)) return null;
  const bare = text.replace(shown, (found) => (/^<(?:br|\/p|\/div)/i.test(found) ? '\n' : ''));
  // A tag of its own beside the escaped ones: then the escaped ones are what it says.
  if (/<[a-z]/i.test(bare)) return null;
  let decoded = bare;
  for (let times = 1; times <= 3; times++) {
    decoded = decodeHTML(decoded);
    if (tag.test(decoded))
      return whole(text, decoded.replaceAll('\u00a0', ' ').trim(), reason('text-becomes-code', { times }));
  }
  return null;
}

/* A code as it is written in a program or in JSON (RFC 8259, section 7): in quotes, with `\"` and `\/`. */
function textOfProgram(text: string): string | null {
  if (!text.includes('\\')) return null;
  const bare = text.trim().replace(/[;,]$/, '');
  if (/^[["{]/.test(bare)) {
    try {
      const found = textWithTag(JSON.parse(bare), 0);
      if (found !== null) return found;
    } catch {
      // A piece of it, perhaps.
    }
  }
  if (!/^["']?\s{0,20}<[a-z][a-z0-9-]{0,40}\s[^<>]{0,4000}?=\\["']/i.test(bare)) return null;
  return bare
    .replaceAll(/\\(["'/])/g, '$1')
    .replaceAll('\\n', '\n')
    .replace(/^["']|["']$/g, '')
    .trim();
}

function textWithTag(value: unknown, depth: number): string | null {
  if (typeof value === 'string') return tag.test(value) ? value.trim() : null;
  if (typeof value !== 'object' || value === null || depth > 3) return null;
  for (const inner of Object.values(value).slice(0, 50)) {
    const found = textWithTag(inner, depth + 1);
    if (found !== null) return found;
  }
  return null;
}

const whole = (text: string, mended: string, why: Reason): Mending => ({
  what: 'visible-code',
  edits: [{ start: 0, end: text.length, text: mended, reason: why }],
  text: mended,
});

/* Typographic quotes directly behind a `=` inside a tag, and the ones that close them. */
function curlyQuotes(text: string): Mending | null {
  if (!/[“”„«‘’‚″′]/.test(text)) return null;
  const edits: Mending['edits'] = [];
  const opening = /=[ \t]{0,4}([“”„«‘’‚″′])/g;
  for (let found = opening.exec(text); found; found = opening.exec(text)) {
    const start = found.index + found[0].length - 1;
    const tagStart = text.lastIndexOf('<', start);
    if (tagStart <= text.lastIndexOf('>', start) || isQuoted(text, Math.max(tagStart, start - 4000), start))
      continue;
    const closing = /[“”„»‘’‚″′"']/.exec(text.slice(start + 1, start + 4000));
    if (!closing) continue;
    const end = start + 1 + closing.index;
    const why = reason('straight-quotes');
    edits.push(
      { start, end: start + 1, text: '"', reason: why },
      { start: end, end: end + 1, text: '"', reason: why },
    );
    opening.lastIndex = end + 1;
  }
  if (edits.length === 0) return null;
  return { what: 'curly-quotes', edits, text: applyMends(text, edits) };
}

/* Blanks that do not end a name, between the name of a tag and its attributes: they come with what is copied
   from a text. */
const oddBlank = /[\u00a0\u2007\u202f\u200b-\u200d\u2060\u3000]/g;

function oddBlanks(text: string): Mending | null {
  if (!/[\u00a0\u2007\u202f\u200b-\u200d\u2060\u3000]/.test(text)) return null;
  const why = reason('plain-blanks');
  const edits: Mending['edits'] = [];
  for (const tag of text.matchAll(/<[a-z][^<>]{0,4000}>/gi))
    for (const blank of tag[0].matchAll(oddBlank)) {
      const start = tag.index + blank.index;
      if (isQuoted(text, tag.index, start)) continue;
      // What nobody sees goes; a blank that does not break becomes one that does.
      const plain = /[\u200b-\u200d\u2060]/.test(blank[0]) ? '' : ' ';
      edits.push({ start, end: start + 1, text: plain, reason: why });
    }
  return edits.length === 0 ? null : { what: 'odd-blanks', edits, text: applyMends(text, edits) };
}

/* Whether a place in a tag is inside a value that straight quotes hold. */
function isQuoted(text: string, from: number, to: number): boolean {
  let quote = '';
  for (let i = from; i < to; i++) {
    const c = text[i]!;
    if (quote !== '') {
      if (c === quote) quote = '';
    } else if ((c === '"' || c === "'") && /=\s{0,4}$/.test(text.slice(Math.max(from, i - 5), i))) quote = c;
  }
  return quote !== '';
}

/* A last tag that lacks only its `>`: an end tag, or a start tag whose quotes are all closed. */
function openTag(text: string): Mending | null {
  const from = text.lastIndexOf('<');
  if (from < 0 || text.indexOf('>', from) >= 0) return null;
  const rest = text.slice(from).trimEnd();
  const end = from + rest.length;
  const why = reason('close-last-tag');
  if (/^<\/[a-z][a-z0-9-]*$/i.test(rest))
    return {
      what: 'open-tag',
      edits: [{ start: end, end, text: '>', reason: why }],
      text: `${text.slice(0, end)}>${text.slice(end)}`,
    };
  return null;
}
