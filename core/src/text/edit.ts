/**
 * The stages of the work that change a code, in the order in which their insertions at one place are written.
 */
export const stages = ['leave-out', 'settings', 'presentation', 'isolation', 'editor', 'mark'] as const;
export type Stage = (typeof stages)[number];

/**
 * Why an edit is made, and who asked for it; the sentence is made at the edge from the code and the facts.
 */
export interface EditReason {
  stage: Stage;
  /** The option that asked for it, by name (`start`, `max-width`, `mark`). */
  option: string;
  code: string;
  facts: Readonly<Record<string, string | number | boolean | null>>;
}

/** One change at exact positions of a text. Offsets are UTF-16 code units, `end` exclusive. */
export interface Edit {
  start: number;
  end: number;
  /** What stands there afterwards. */
  text: string;
  /** The first stage that asked for it. */
  stage: Stage;
  /** The options that it fulfils, by name. */
  options: string[];
  /** At least one, in the order in which they are told. */
  reasons: EditReason[];
}

/** Thrown when two edits claim the same characters: a defect of a stage, never of the owner's text. */
export class EditsOverlap extends Error {
  constructor(a: Edit, b: Edit) {
    super(
      `edits ${a.start}-${a.end} (${a.options.join(', ')}) and ${b.start}-${b.end} (${b.options.join(', ')}) overlap`,
    );
  }
}

/**
 * Puts the edits of all stages into one list in the order of the text. Insertions at the same place stand in
 * the order of the stages, and within a stage in the order given.
 * @throws EditsOverlap when two edits claim the same characters.
 */
export function mergeEdits(...lists: readonly (readonly Edit[])[]): Edit[] {
  // Sorting keeps the order of what is equal (ECMAScript, section 23.1.3.30).
  const merged = lists.flat();
  if (merged.length > 1) merged.sort(byPlace);
  for (let i = 1; i < merged.length; i++) {
    const before = merged[i - 1]!;
    const now = merged[i]!;
    if (now.start < before.end) throw new EditsOverlap(before, now);
  }
  return merged;
}

const byPlace = (a: Edit, b: Edit): number =>
  a.start - b.start ||
  Number(a.end > a.start) - Number(b.end > b.start) ||
  stages.indexOf(a.stage) - stages.indexOf(b.stage);

/**
 * The text with the edits made. The edits need not be in order; see {@link mergeEdits} for what is refused.
 */
export function applyEdits(text: string, edits: readonly Edit[]): string {
  let out = '';
  let at = 0;
  for (const edit of mergeEdits(edits)) {
    out += text.slice(at, edit.start) + edit.text;
    at = edit.end;
  }
  return out + text.slice(at);
}

/**
 * Characters between which a replacement may begin and end, so that it never cuts a parameter or a
 * declaration in two.
 */
export interface Seams {
  /** A replacement may begin behind one of these. */
  behind: string;
  /** A replacement may begin or end before one of these. */
  before: string;
}

/** The seams of an address: parameters and their values. The `;` ends a character reference. */
export const addressSeams: Seams = { behind: '?&#=;', before: '?&#' };
/** The seams of a `style` attribute: declarations. */
export const styleSeams: Seams = { behind: ';', before: ';' };

/**
 * The smallest single replacement that turns `text.slice(start, end)` into `wanted`, or null where they are
 * equal. It begins and ends at seams where there are any given, and never cuts a surrogate pair in two.
 */
export function smallestChange(
  text: string,
  start: number,
  end: number,
  wanted: string,
  seams?: Seams,
): { start: number; end: number; text: string } | null {
  const now = text.slice(start, end);
  if (now === wanted) return null;
  const most = Math.min(now.length, wanted.length);
  let head = 0;
  while (head < most && now[head] === wanted[head]) head++;
  while (head > 0 && !mayBegin(now, wanted, head, seams)) head--;
  let tail = 0;
  while (tail < most - head && now[now.length - 1 - tail] === wanted[wanted.length - 1 - tail]) tail++;
  while (tail > 0 && !mayEnd(now, now.length - tail, seams)) tail--;
  return { start: start + head, end: end - tail, text: wanted.slice(head, wanted.length - tail) };
}

function mayBegin(now: string, wanted: string, at: number, seams: Seams | undefined): boolean {
  if (isHighSurrogate(now.charCodeAt(at - 1))) return false;
  const before = (text: string): boolean => at === text.length || seams!.before.includes(text[at]!);
  return !seams || seams.behind.includes(now[at - 1]!) || (before(now) && before(wanted));
}

const mayEnd = (now: string, at: number, seams: Seams | undefined): boolean =>
  !isLowSurrogate(now.charCodeAt(at)) && (!seams || seams.before.includes(now[at]!));

const isHighSurrogate = (unit: number): boolean => unit >= 0xd800 && unit <= 0xdbff;
const isLowSurrogate = (unit: number): boolean => unit >= 0xdc00 && unit <= 0xdfff;
