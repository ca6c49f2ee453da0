import type { Markup } from '../text/index.ts';
import { matchId } from '../sheets/match.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { Input, Reading } from './reading.ts';

/** Tells what was pasted, before anything is understood of it. */
export function inputOf(
  text: string,
  markup: Markup,
  mending: Reading['mending'],
  sheets: readonly Sheet[],
): Input {
  if (markup.elements.length === 0 || mending?.what === 'visible-code') {
    const bare = text.replace(/^\uFEFF/, '').trim();
    if (bare === '') return 'empty';
    if (linksIn(text).length > 0) return 'link';
    if (mending?.what === 'visible-code') return 'visible-code';
    if (matchId(bare, sheets)) return 'id';
    // A tag that is cut off in the middle is code all the same.
    return markup.openAt !== null && /<[a-z!/]/i.test(bare) ? 'code' : 'text';
  }
  return 'code';
}

/**
 * The absolute http(s) addresses that the whole text consists of, one a line (blanks
 * around them aside); else none.
 */
export function linksIn(text: string): string[] {
  const lines = text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .map((line) => line.trim())
    .filter(Boolean);
  const all = lines.every((line) => /^https?:\/\/[^\s<>"']+$/i.test(line) && URL.canParse(line));
  return all ? lines : [];
}

/** The one absolute http(s) address that the whole text consists of (blanks around it aside), or null. */
export function linkIn(text: string): string | null {
  const [link, ...more] = linksIn(text);
  return link !== undefined && more.length === 0 ? link : null;
}
