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

export const writeMark = ({ placement, delivery }: Mark): string => `${placement}.${delivery}`;

/** Reads the value of a `data-orbis` attribute; null where it is no mark of ours. */
export function readMark(value: string): Mark | null {
  const found = shape.exec(value);
  return found ? { placement: found[1]!, delivery: Number(found[2]) } : null;
}

/** A snippet that was made with the neutral mark, with this mark in its place. */
export const withMark = ({ position, runs }: Snippet, mark: Mark): Snippet => ({
  position,
  runs: runs.map((run) => marked(run, mark)),
});

function marked(run: Run, mark: Mark): Run {
  if (run.from === 'source' || !run.reasons.some(({ stage }) => stage === 'mark')) return run;
  const neutral = writeMark(neutralMark);
  // The outermost tag stands first, and what people typed behind it; where the code had a mark before, its
  // value alone is written, and stands last.
  const named = run.text.indexOf(`${markName}="${neutral}"`);
  const at = named < 0 ? run.text.lastIndexOf(neutral) : named + markName.length + 2;
  if (at < 0) return run;
  const text = run.text.slice(0, at) + writeMark(mark) + run.text.slice(at + neutral.length);
  return {
    ...run,
    text: run.reasons.some(({ code }) => code === 'framed-served') ? served(text, mark) : text,
  };
}

/** Whether a snippet shows a document that is served for its placement. */
export const showsServed = ({ runs }: Pick<Snippet, 'runs'>): boolean =>
  runs.some((run) => run.from === 'orbis' && run.reasons.some(({ code }) => code === 'framed-served'));

/* The frame of a served document names it by its placement. */
const served = (text: string, { placement }: Mark): string =>
  text.replace(/ src="[^"]*/, (address) => {
    const at = address.lastIndexOf(neutralMark.placement);
    return at < 0
      ? address
      : address.slice(0, at) + placement + address.slice(at + neutralMark.placement.length);
  });

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
