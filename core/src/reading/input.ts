import { decodeHTML } from 'entities/decode';
import type { Markup } from '../text/index.ts';
import type { Input } from './reading.ts';

/** Tells what was pasted, before anything is understood of it. */
export function inputOf(text: string, markup: Markup): Input {
  if (text.replace(/^\uFEFF/, '').trim() === '') return 'empty';
  if (linkIn(text)) return 'link';
  if (markup.elements.some((e) => !proseElements.has(e.name))) return 'code';
  const visible = markup.roots.length > 0 ? visibleText(text) : '';
  if (/<\/?[a-z][a-z0-9-]*(?:\s[^<>]*)?>/i.test(visible)) return 'visible-code';
  return markup.elements.length > 0 ? 'code' : 'text';
}

/** The one absolute http(s) address that the whole text consists of (blanks around it aside), or null. */
export function linkIn(text: string): string | null {
  const trimmed = text.replace(/^\uFEFF/, '').trim();
  return /^https?:\/\/[^\s<>"']+$/i.test(trimmed) && URL.canParse(trimmed) ? trimmed : null;
}

/* What a rich-text field puts around a code that is pasted into it. */
const proseElements = new Set(['p', 'div', 'span', 'br', 'pre', 'code', 'b', 'i', 'strong', 'em', 'font']);

/** What visitors would read: tags taken off, character references decoded once. */
function visibleText(text: string): string {
  return decodeHTML(text.replace(/<\/?(?:p|div|span|br|pre|code|b|i|strong|em|font)\b[^<>]*>/gi, ''));
}
