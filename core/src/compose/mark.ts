import type { EditReason, MarkupElement } from '../text/index.ts';
import type { Code } from '../code.ts';
import { reason } from '../reason.ts';
import type { AskedChange } from './changes.ts';
import type { Run, Snippet } from './snippet.ts';

/** A placement's public id (ten characters of Crockford's base 32, lower case) and a delivery's number. */
export interface Mark {
  placement: string;
  delivery: number;
}

/**
 * A mark that stands for any placement and delivery: what is made with it is the same for all, and no sweep
 * takes it for one.
 */
export const neutralMark: Mark = { placement: '0000000000', delivery: 0 };

/** The attribute that carries a mark. */
export const markName = 'data-orbis';
const shape = /^([0-9a-hjkmnp-tv-z]{10})\.([1-9]\d{0,8})$/;
const classShape = /^orbis-([0-9a-hjkmnp-tv-z]{10})-([1-9]\d{0,8})$/;

export const writeMark = ({ placement, delivery }: Mark): string => `${placement}.${delivery}`;

/** Reads the value of a `data-orbis` attribute; null where it is no mark of ours. */
export const readMark = (value: string): Mark | null => markIn(shape.exec(value));

const markIn = (found: RegExpExecArray | null): Mark | null =>
  found ? { placement: found[1]!, delivery: Number(found[2]) } : null;

/* How a mark is written where an editor takes that attribute out. */
const asComment = (mark: Mark): string => `<!--orbis ${writeMark(mark)}-->`;
const asClass = ({ placement, delivery }: Mark): string => `orbis-${placement}-${delivery}`;

/** The neutral mark as a comment before the code, and as a class of what shows it. */
export const neutralComment = asComment(neutralMark);
export const neutralClass = asClass(neutralMark);

/** Reads what stands in a comment; null where it is no mark. */
export const readCommentMark = (text: string): Mark | null =>
  text.startsWith('orbis ') ? readMark(text.slice('orbis '.length)) : null;

/** The mark among the classes of an element; null where there is none. */
export function readClassMark(classes: string): Mark | null {
  if (!classes.includes('orbis-')) return null;
  for (const each of classes.split(/\s+/)) {
    const mark = markIn(classShape.exec(each));
    if (mark) return mark;
  }
  return null;
}

/** A snippet that was made with the neutral mark, with this mark in its place. */
export const withMark = ({ position, runs }: Snippet, mark: Mark): Snippet => ({
  position,
  runs: runs.map((run) => marked(run, mark)),
});

function marked(run: Run, mark: Mark): Run {
  if (run.from === 'source') return run;
  const has = (code: string): boolean => run.reasons.some((each) => each.code === code);
  const text = run.reasons.some(({ stage }) => stage === 'mark') ? withItsMark(run.text, mark) : run.text;
  if (has('pasted-link')) return { ...run, text: placementNamed(text, mark) };
  return { ...run, text: has('framed-served') ? served(text, mark) : text };
}

function withItsMark(text: string, mark: Mark): string {
  const neutral = writeMark(neutralMark);
  // The outermost tag stands first, and what people typed behind it; where the code had a mark before, its
  // value alone is written, and stands last.
  const named = text.indexOf(`${markName}="${neutral}"`);
  const at = named < 0 ? text.lastIndexOf(neutral) : named + markName.length + 2;
  if (at >= 0) return text.slice(0, at) + writeMark(mark) + text.slice(at + neutral.length);
  return text.replace(neutralClass, () => asClass(mark));
}

/** The text of a snippet without what marks it; of one without a mark, the text. */
export const textWithoutMark = ({ runs }: Pick<Snippet, 'runs'>): string =>
  runs
    .filter(
      (run) =>
        run.from === 'source' || run.stage !== 'mark' || run.reasons.some(({ stage }) => stage !== 'mark'),
    )
    .map(({ text }) => text)
    .join('');

/** Whether a snippet shows a document that is served for its placement. */
export const showsServed = ({ runs }: Pick<Snippet, 'runs'>): boolean =>
  runs.some(
    (run) =>
      run.from === 'orbis' &&
      run.reasons.some(({ code }) => code === 'framed-served' || code === 'pasted-link'),
  );

/* The frame of a served document names it by its placement. */
const served = (text: string, mark: Mark): string =>
  text.replace(/ src="[^"]*/, (address) => placementNamed(address, mark));

function placementNamed(address: string, { placement }: Mark): string {
  const at = address.lastIndexOf(neutralMark.placement);
  return at < 0
    ? address
    : address.slice(0, at) + placement + address.slice(at + neutralMark.placement.length);
}

/**
 * The outermost element that carries the mark: the first one that shows something. Null
 * where the code has none.
 */
export function markedElement(code: Pick<Code, 'markup'>): MarkupElement | null {
  const silent = new Set(['script', 'style', 'link', 'meta', 'template', 'noscript']);
  const outer = code.markup.roots.filter((node) => node.kind === 'element');
  return outer.find((element) => !silent.has(element.name)) ?? null;
}

/** Why there is a mark. */
export const markReason: EditReason = { stage: 'mark', option: 'mark', ...reason('mark') };

/**
 * What marks a code; a mark that it carries already is replaced. A code without an element that shows
 * anything, such as one of scripts alone, is put into an element of ours, which carries the mark.
 */
export function markChange(code: Pick<Code, 'text' | 'markup'>, mark: Mark): AskedChange {
  const element = markedElement(code);
  const asker = { stage: 'mark', option: 'mark' } as const;
  if (element)
    return {
      kind: 'attribute',
      element,
      name: markName,
      value: writeMark(mark),
      reason: reason('mark'),
      ...asker,
    };
  const range = { start: 0, end: code.text.length };
  return {
    kind: 'surround',
    range,
    layer: 'carrier',
    element: 'div',
    attributes: { [markName]: writeMark(mark) },
    reason: reason('carry-mark'),
    ...asker,
  };
}
