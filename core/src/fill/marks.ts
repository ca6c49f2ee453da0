import { positionsIn } from '../text/index.ts';

/** What is filled between two marks: the codes of a spot, what stands in a head, or at the end of a body. */
export const fillKinds = ['spot', 'head', 'foot'] as const;
export type FillKind = (typeof fillKinds)[number];

/** A part of a file that is Orbis’s to fill, between two comments. */
export interface FillMark {
  kind: FillKind;
  /** A spot (`hollinfell/talks#main`), a page (`hollinfell/talks`), or of a head a site (`hollinfell`). */
  key: string;
  /** What stands between the comments, as offsets of the text. */
  start: number;
  end: number;
  /** Of the first comment. */
  line: number;
}

/** A comment that has no counterpart, or says what nobody knows. */
export interface FillFault {
  code: 'not-closed' | 'not-opened' | 'within-another' | 'unknown-kind' | 'no-key' | 'not-a-key';
  line: number;
  /** The comment itself. */
  found: string;
}

/* Opened as <!-- orbis:spot hollinfell/talks#main -->, closed as <!-- /orbis:spot -->. */
const comment = /<!--[ \t]{0,9}(\/?)orbis:([a-z]{1,20})(?:[ \t]{1,9}([^\s<>]{1,500}))?[ \t]{0,9}-->/g;

const keys: Readonly<Record<FillKind, RegExp>> = {
  spot: /^[a-z0-9-]+\/[^#]*#[a-z0-9-]+$/,
  head: /^[a-z0-9-]+(?:\/[^#]*)?$/,
  foot: /^[a-z0-9-]+\/[^#]*$/,
};

/**
 * The parts of a file that are Orbis’s to fill. Comments are understood by HTML, Markdown and nearly all
 * kinds of templates, so that such a file stays what it is.
 * @example
 * fillMarksIn('<!-- orbis:spot hollinfell/talks#main -->\n<!-- /orbis:spot -->').marks[0].key
 */
export function fillMarksIn(text: string): { marks: FillMark[]; faults: FillFault[] } {
  const position = positionsIn(text);
  const marks: FillMark[] = [];
  const faults: FillFault[] = [];
  let open: (Omit<FillMark, 'end'> & { found: string }) | null = null;
  for (const { 0: found, 1: slash, 2: kind, 3: key, index } of text.matchAll(comment)) {
    const { line } = position(index);
    const fault = (code: FillFault['code']): void => void faults.push({ code, line, found });
    if (!isKind(kind!)) fault('unknown-kind');
    else if (slash === '/') {
      if (open?.kind !== kind) fault('not-opened');
      else {
        marks.push({ kind, key: open.key, start: open.start, end: index, line: open.line });
        open = null;
      }
    } else if (key === undefined) fault('no-key');
    else if (!keys[kind].test(key)) fault('not-a-key');
    else if (open) fault('within-another');
    else open = { kind, key, start: index + found.length, line, found };
  }
  if (open) faults.push({ code: 'not-closed', line: open.line, found: open.found });
  return { marks, faults };
}

const isKind = (kind: string): kind is FillKind => (fillKinds as readonly string[]).includes(kind);
