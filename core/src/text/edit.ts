/** The stages of the work that change a code, in the order in which their insertions at one place are written. */
export const stages = ['leave-out', 'settings', 'dress', 'isolate', 'mark'] as const;
export type Stage = (typeof stages)[number];

/** One change at exact positions of a text. Offsets are UTF-16 code units, `end` exclusive. */
export interface Edit {
  start: number;
  end: number;
  /** What stands there afterwards. */
  text: string;
  stage: Stage;
  /** The wishes that this edit fulfils, by name (`start`, `max-width`, `mark`). */
  wishes: string[];
  /** Why, in one plain sentence. */
  reason: string;
}

/** Thrown when two edits claim the same characters: a defect of a stage, never of the owner's text. */
export class EditsOverlap extends Error {
  constructor(a: Edit, b: Edit) {
    super(`edits ${a.start}-${a.end} (${a.wishes.join(', ')}) and ${b.start}-${b.end} (${b.wishes.join(', ')}) overlap`);
  }
}

/**
 * Puts the edits of all stages into one list in the order of the text. Insertions at the same place stand in the
 * order of the stages, and within a stage in the order given.
 * @throws EditsOverlap when two edits claim the same characters.
 */
export function mergeEdits(...lists: readonly Edit[][]): Edit[] {
  const all = lists.flat().map((edit, order) => ({ edit, order }));
  all.sort(
    (a, b) =>
      a.edit.start - b.edit.start ||
      Number(a.edit.end > a.edit.start) - Number(b.edit.end > b.edit.start) ||
      stages.indexOf(a.edit.stage) - stages.indexOf(b.edit.stage) ||
      a.order - b.order,
  );
  const merged = all.map(({ edit }) => edit);
  for (let i = 1; i < merged.length; i++) {
    const before = merged[i - 1]!;
    const now = merged[i]!;
    if (now.start < before.end) throw new EditsOverlap(before, now);
  }
  return merged;
}

/** The text with the edits made. The edits need not be in order; see {@link mergeEdits} for what is refused. */
export function applyEdits(text: string, edits: readonly Edit[]): string {
  let out = '';
  let at = 0;
  for (const edit of mergeEdits([...edits])) {
    out += text.slice(at, edit.start) + edit.text;
    at = edit.end;
  }
  return out + text.slice(at);
}

/**
 * The smallest single replacement that turns `text.slice(start, end)` into `wanted`, or null where they are equal.
 * It never cuts a surrogate pair in two.
 */
export function smallestChange(text: string, start: number, end: number, wanted: string): { start: number; end: number; text: string } | null {
  const now = text.slice(start, end);
  if (now === wanted) return null;
  const most = Math.min(now.length, wanted.length);
  let head = 0;
  while (head < most && now[head] === wanted[head]) head++;
  if (head > 0 && isHighSurrogate(now.charCodeAt(head - 1))) head--;
  let tail = 0;
  while (tail < most - head && now[now.length - 1 - tail] === wanted[wanted.length - 1 - tail]) tail++;
  if (tail > 0 && isLowSurrogate(now.charCodeAt(now.length - tail))) tail--;
  return { start: start + head, end: end - tail, text: wanted.slice(head, wanted.length - tail) };
}

const isHighSurrogate = (unit: number): boolean => unit >= 0xd800 && unit <= 0xdbff;
const isLowSurrogate = (unit: number): boolean => unit >= 0xdc00 && unit <= 0xdfff;
