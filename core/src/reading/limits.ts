import { deepest, type Markup } from '../text/index.ts';

/**
 * Limits of what is read (HTML texts in UTF-16 code units); beyond them a text is
 * refused before anything costly.
 */
export const limits = { length: 1_048_576, nesting: deepest, attributes: 10_000 } as const;

export type Excess =
  | { what: 'length'; offset: number; most: number; found: number }
  | { what: 'nesting'; offset: number; most: number; found: number }
  | { what: 'attributes'; offset: number; most: number; found: number }
  | { what: 'surrogate'; offset: number; most: 0; found: 1 };

/**
 * Says what is too much in a text before it is parsed, or null: its length, half a character, the attributes
 * of a tag. Nesting is told while it is parsed (`Markup.tooDeepAt`).
 */
export function findExcess(text: string): Excess | null {
  if (text.length > limits.length)
    return { what: 'length', offset: limits.length, most: limits.length, found: text.length };
  const lone = loneSurrogate(text);
  if (lone >= 0) return { what: 'surrogate', offset: lone, most: 0, found: 1 };
  // Shorter texts have no room for so many attributes.
  if (text.length < 2 * limits.attributes) return null;
  const tag = /<[a-z][^\s/>]*/gi;
  for (let found = tag.exec(text); found; found = tag.exec(text)) {
    const end = tagEnd(text, tag.lastIndex);
    if (end.attributes > limits.attributes)
      return { what: 'attributes', offset: found.index, most: limits.attributes, found: end.attributes };
    tag.lastIndex = end.offset;
  }
  return null;
}

/** What is too much in a text that was parsed: nesting, or null. */
export const excessIn = ({ tooDeepAt }: Markup): Excess | null =>
  tooDeepAt === null
    ? null
    : { what: 'nesting', offset: tooDeepAt, most: limits.nesting, found: limits.nesting + 1 };

/** The offset of the first surrogate without its other half, or -1. */
export function loneSurrogate(text: string): number {
  if (text.isWellFormed()) return -1;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit < 0xd800 || unit > 0xdfff) continue;
    const next = text.charCodeAt(i + 1);
    if (unit > 0xdbff || !(next >= 0xdc00 && next <= 0xdfff)) return i;
    i++;
  }
  return -1;
}

function tagEnd(text: string, from: number): { offset: number; attributes: number } {
  let attributes = 0;
  let inName = false;
  for (let i = from; i < text.length; i++) {
    const c = text[i]!;
    if (c === '>') return { offset: i + 1, attributes };
    if (c === '=') {
      inName = false;
      let v = i + 1;
      while (v < text.length && isBlank(text[v]!)) v++;
      if (text[v] === '"' || text[v] === "'") {
        const close = text.indexOf(text[v]!, v + 1);
        if (close < 0) return { offset: text.length, attributes };
        i = close;
      } else {
        while (v < text.length && !isBlank(text[v]!) && text[v] !== '>') v++;
        i = v - 1;
      }
    } else if (isBlank(c) || c === '/') inName = false;
    else if (!inName) {
      inName = true;
      attributes++;
    }
  }
  return { offset: text.length, attributes };
}

const isBlank = (c: string): boolean => c === ' ' || c === '\n' || c === '\t' || c === '\r' || c === '\f';
