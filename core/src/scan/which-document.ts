import { parse } from 'parse5';
import { canonical } from './canonical.ts';

/**
 * Which of several documents stands in a file, as a browser understands them; the first one that does, null
 * where none is.
 */
export function whichDocument(text: string, documents: readonly string[]): number | null {
  const plain = documents.findIndex((each) => squeezed(each) === squeezed(text));
  if (plain >= 0) return plain;
  // What a server or a program for files adds is little.
  const candidates = documents.map((each) => text.length <= 2 * each.length + 4096);
  if (!candidates.some(Boolean)) return null;
  const found = canonicalOf(text);
  const same = documents.findIndex(
    (each, at) => candidates[at] && found !== null && canonicalOf(each) === found,
  );
  return same < 0 ? null : same;
}

/* However its lines end, and with or without a mark of its encoding. */
const squeezed = (text: string): string =>
  text
    .replace(/^\uFEFF/, '')
    .replace(/\r\n?/g, '\n')
    .trim();

/* Null where it is nested so deep that nobody can have meant it. */
function canonicalOf(html: string): string | null {
  try {
    return canonical(parse(html.replace(/^\uFEFF/, '')).childNodes);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
