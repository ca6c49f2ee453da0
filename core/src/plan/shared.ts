import type { Code } from '../code.ts';
import type { Part } from '../reading/reading.ts';
import type { LevelledComposition } from '../compose/levels.ts';
import { runsOf, type Run } from '../compose/snippet.ts';
import type { Edit } from '../text/index.ts';

/** A part of a placement’s code that its page needs once, however many codes bring it. */
export interface SharedPart {
  placement: string;
  start: number;
  end: number;
  /** As it stands after the edits of what is asked. */
  text: string;
  runs: Run[];
}

/* What may stand anywhere before it is used, and as well in the head: the reading says of these that they belong there. */
const roles: ReadonlySet<Part['role']> = new Set(['loader', 'style']);

/** Whether a code has parts that a page needs only once. */
export const hasShared = ({ parts }: Pick<Code['reading'], 'parts'>): boolean => parts.some(isShared);

const isShared = ({ role, place, repeat, inside }: Part): boolean => inside === null && roles.has(role) && place === 'head' && repeat === 'page';

/** The parts of a code that its page needs once, in the order of the code. */
export const sharedParts = (placement: string, { reading, text }: Pick<Code, 'reading' | 'text'>, { edits }: Pick<LevelledComposition, 'edits'>): SharedPart[] =>
  reading.parts.filter(isShared).map(({ start, end }) => {
    const own = edits.filter((edit) => isWithin(edit, start, end));
    const runs = runsOf(
      text.slice(start, end),
      own.map((edit) => ({ ...edit, start: edit.start - start, end: edit.end - start })),
    ).map((run) => movedBy(run, start, placement));
    return { placement, start, end, text: runs.map((run) => run.text).join(''), runs };
  });

const isWithin = (edit: Edit, start: number, end: number): boolean => edit.start >= start && edit.end <= end && (edit.start < end || edit.end > start);

const movedBy = (run: Run, by: number, of: string): Run =>
  run.from === 'source' ? { ...run, start: run.start + by, end: run.end + by, of } : { ...run, instead: { start: run.instead.start + by, end: run.instead.end + by } };

/** The edits of a code without some of its parts: those within them go with them. */
export function leaveOut(edits: readonly Edit[], parts: readonly SharedPart[], why: (part: SharedPart) => Pick<Edit, 'stage' | 'options' | 'reasons'>): Edit[] {
  const kept = edits.filter((edit) => !parts.some(({ start, end }) => isWithin(edit, start, end)));
  return [...kept, ...parts.map((part) => ({ start: part.start, end: part.end, text: '', ...why(part) }))];
}
