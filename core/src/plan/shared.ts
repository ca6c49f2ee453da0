import type { Code } from '../code.ts';
import type { Part } from '../reading/reading.ts';
import type { LevelledComposition } from '../compose/levels.ts';
import { runsOf, type Run } from '../compose/snippet.ts';
import type { AskedChange } from '../compose/changes.ts';
import { isWithin } from '../compose/structure.ts';
import type { Reason } from '../reason.ts';

/** A part of a placement’s code that its page needs once, however many codes bring it. */
export interface SharedPart {
  placement: string;
  start: number;
  end: number;
  /** As it stands after the edits of what is asked. */
  text: string;
  runs: Run[];
}

/* What may stand anywhere before it is used, and as well in the head: the reading says of
   these that they belong there. */
const roles: ReadonlySet<Part['role']> = new Set(['loader', 'style']);

/** Whether a code has parts that a page needs only once. */
export const hasShared = ({ parts }: Pick<Code['reading'], 'parts'>): boolean => parts.some(isShared);

const isShared = ({ role, place, repeat, inside }: Part): boolean =>
  inside === null && roles.has(role) && place === 'head' && repeat === 'page';

/**
 * The parts of a code that its page needs once, in the order of the code, as they stand after these edits.
 */
export const sharedParts = (
  placement: string,
  { reading, text }: Pick<Code, 'reading' | 'text'>,
  { edits }: Pick<LevelledComposition, 'edits'>,
): SharedPart[] =>
  reading.parts.filter(isShared).map(({ start, end }) => {
    const own = edits.filter((edit) => isWithin(edit, { start, end }));
    const runs = runsOf(
      text.slice(start, end),
      own.map((edit) => ({ ...edit, start: edit.start - start, end: edit.end - start })),
    ).map((run) => movedBy(run, start, placement));
    return { placement, start, end, text: runs.map((run) => run.text).join(''), runs };
  });

function movedBy(run: Run, by: number, of: string): Run {
  if (run.from === 'source') return { ...run, start: run.start + by, end: run.end + by, of };
  return { ...run, instead: run.instead && { start: run.instead.start + by, end: run.instead.end + by } };
}

/**
 * Whether a part is a script that its code has to be ready for at any time, so that it serves what stands
 * before it as well (HTML, section 4.12.1: `async`).
 */
export const runsAnyTime = ({ start, end }: SharedPart, { markup }: Pick<Code, 'markup'>): boolean => {
  const own = markup.elements.filter((element) => element.start >= start && element.end <= end);
  return (
    own.length === 1 &&
    own[0]!.name === 'script' &&
    ['src', 'async'].every((name) => own[0]!.attributes.has(name))
  );
};

/** What takes a part out of its code, because the page has it elsewhere. */
export const leaveOut = ({ start, end }: SharedPart, why: Reason): AskedChange => ({
  kind: 'leave-out',
  range: { start, end },
  reason: why,
  stage: 'leave-out',
  option: 'plan',
});
