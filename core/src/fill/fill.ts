import { fillMarksIn, type FillMark } from './marks.ts';

/**
 * A file with what belongs between its marks, and nothing else changed: the ends of lines are those of the
 * file, and the last comment stays where it stands in its line. Twice is once.
 * @param contentOf what belongs there now; empty where nothing is placed.
 */
export function fill(
  text: string,
  marks: readonly FillMark[],
  contentOf: (mark: FillMark) => string,
): { text: string; changed: FillMark[] } {
  const lineEnd = text.includes('\r\n') ? '\r\n' : '\n';
  const changed: FillMark[] = [];
  let filled = '';
  let at = 0;
  for (const mark of marks) {
    const before = text.slice(mark.start, mark.end);
    const now = between(before, contentOf(mark), lineEnd);
    if (now !== before) changed.push(mark);
    filled += text.slice(at, mark.start) + now;
    at = mark.end;
  }
  return { text: filled + text.slice(at), changed };
}

function between(before: string, content: string, lineEnd: string): string {
  const indent = /\n([ \t]*)$/.exec(before.slice(-200))?.[1] ?? '';
  const lines = content.replaceAll('\r\n', '\n').trim().replaceAll('\n', lineEnd);
  return lines === '' ? lineEnd + indent : lineEnd + lines + lineEnd + indent;
}

/** Whether a code can stand between marks: not where it has such a comment itself. */
export function canFill(content: string): boolean {
  const { marks, faults } = fillMarksIn(content);
  return marks.length === 0 && faults.length === 0;
}
