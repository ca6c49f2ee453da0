import { escapeAttribute } from '../text/index.ts';
import {
  layers,
  type CodeRange,
  type InsertChange,
  type LeaveOutChange,
  type StructureChange,
  type SurroundChange,
} from '../options/change.ts';
import type { Edit, EditReason } from '../text/index.ts';
import type { AskedChange } from './changes.ts';
import { reasonOf } from './reasons.ts';

export type AskedStructure = AskedChange & StructureChange;

/** Whether a change is of what the code consists of, rather than of what stands in it. */
export const isStructure = (change: AskedChange): change is AskedStructure =>
  change.kind === 'leave-out' || change.kind === 'surround' || change.kind === 'insert';

/**
 * Adds the edits of structure to those of what stands in a code: of what is left out nothing stays, and at
 * each offset all that begins, ends and stands there is one edit, nested as the layers are.
 */
export function withStructure(edits: readonly Edit[], changes: readonly AskedStructure[]): Edit[] {
  const out = changes.filter((change) => change.kind === 'leave-out');
  const isOut = (place: CodeRange): boolean => out.some(({ range }) => isWithin(place, range));
  const removals = out
    .filter((change) => !out.some((other) => other !== change && isInside(change.range, other.range)))
    .map(removal);
  const around = changes.filter(
    (change) => change.kind === 'surround' && !out.some(({ range }) => isInside(change.range, range)),
  ) as (AskedChange & SurroundChange)[];
  const inserts = changes.filter(
    (change) => change.kind === 'insert' && !isOut({ start: change.at, end: change.at }),
  ) as (AskedChange & InsertChange)[];
  return [...edits.filter((edit) => !isOut(edit)), ...removals, ...insertions(around, inserts)];
}

/**
 * Whether an edit at this place changes something within a range: what is inserted right
 * before or behind it does not.
 */
export const isWithin = ({ start, end }: CodeRange, range: CodeRange): boolean =>
  start >= range.start && end <= range.end && (start < range.end || end > range.start);

const isInside = (inner: CodeRange, outer: CodeRange): boolean =>
  inner.start >= outer.start && inner.end <= outer.end && length(inner) < length(outer);
const length = ({ start, end }: CodeRange): number => end - start;

const removal = (change: AskedChange & LeaveOutChange): Edit => edit(change.range, '', [change]);

/* What stands at one offset: elements that end there, markup between them all, elements that begin there;
   with the markup that stands within one of these, behind its start tag or before its end tag. */
interface Standing {
  closing: (AskedChange & SurroundChange)[];
  inserted: (AskedChange & InsertChange)[];
  opening: (AskedChange & SurroundChange)[];
}

function insertions(
  around: readonly (AskedChange & SurroundChange)[],
  inserts: readonly (AskedChange & InsertChange)[],
): Edit[] {
  const at = new Map<number, Standing>();
  const standing = (offset: number): Standing =>
    at.get(offset) ?? at.set(offset, { closing: [], inserted: [], opening: [] }).get(offset)!;
  for (const change of [...around].sort(fromOutside)) {
    standing(change.range.start).opening.push(change);
    standing(change.range.end).closing.unshift(change);
  }
  for (const change of inserts) standing(change.at).inserted.push(change);
  return [...at].map(([offset, here]) => {
    const { closing, inserted, opening } = here;
    const between = inserted.filter(({ within }) => !isAround(here, within));
    const within = ({ layer }: SurroundChange): string =>
      inserted
        .filter((change) => change.within === layer)
        .map(({ markup }) => markup)
        .join('');
    const text = [
      ...closing.map((change) => `${within(change)}</${change.element}>`),
      ...between.map(({ markup }) => markup),
      ...opening.map((change) => openingTag(change) + within(change)),
    ].join('');
    const held = opening.flatMap(({ holds = [] }) => holds);
    return edit({ start: offset, end: offset }, text, [...closing, ...inserted, ...opening], held);
  });
}

const isAround = ({ closing, opening }: Standing, layer: InsertChange['within']): boolean =>
  [...closing, ...opening].some((change) => change.layer === layer);

/* The wider one is outside; around the same part, the one of the outer layer. */
const fromOutside = (a: SurroundChange, b: SurroundChange): number =>
  length(b.range) - length(a.range) || layers.indexOf(a.layer) - layers.indexOf(b.layer);

const openingTag = ({ element, attributes }: SurroundChange): string =>
  `<${element}${Object.entries(attributes)
    .map(([name, value]) => ` ${name}="${escapeAttribute(value)}"`)
    .join('')}>`;

function edit(
  { start, end }: CodeRange,
  text: string,
  changes: readonly AskedChange[],
  held: readonly EditReason[] = [],
): Edit {
  const reasons: EditReason[] = [...held, ...changes.map(reasonOf)];
  return {
    start,
    end,
    text,
    stage: reasons[0]!.stage,
    options: [...new Set(reasons.map(({ option }) => option))],
    reasons,
  };
}
