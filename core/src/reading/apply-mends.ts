import type { Mend } from './reading.ts';

/** A text with edits made, none of which crosses another. */
export function applyMends(text: string, edits: readonly Pick<Mend, 'start' | 'end' | 'text'>[]): string {
  let out = '';
  let at = 0;
  for (const edit of [...edits].sort((a, b) => a.start - b.start || a.end - b.end)) {
    out += text.slice(at, edit.start) + edit.text;
    at = edit.end;
  }
  return out + text.slice(at);
}
