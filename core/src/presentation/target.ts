import type { MarkupElement } from '../text/index.ts';
import type { Code } from '../code.ts';
import type { Reading } from '../reading/reading.ts';

const shown = new Set(['iframe', 'video', 'object', 'embed', 'audio']);

/** The frame or player that a code shows; null where it has none. */
export const frameOf = ({ markup }: Pick<Code, 'markup'>): MarkupElement | null =>
  markup.elements.find((element) => shown.has(element.name)) ?? null;

/** Whether a reading, where there is one, has a frame or a player. */
export const hasFrame = (reading: Pick<Reading, 'parts'> | null): boolean =>
  reading === null || reading.parts.some(({ role }) => role === 'frame' || role === 'media');

/** What stands on the page, and so has a width and a place there. */
export interface PresentationTarget {
  /** The frame or player itself, or the provider’s own box that it is laid over. */
  element: MarkupElement;
  /** The declarations of that box, by property; null where it is the frame itself. */
  box: ReadonlyMap<string, string> | null;
}

/**
 * What presentation changes. A frame that is placed absolutely fills the box that it is laid over (CSS
 * Positioned Layout 3, section 2.1): whatever is declared on the frame itself, the box stays as it is.
 */
export function targetOf(code: Code): PresentationTarget | null {
  const frame = frameOf(code);
  if (!frame) return null;
  const declared = code.inside.declarations;
  if (!frame.parent || declared(frame).get('position') !== 'absolute') return { element: frame, box: null };
  let box = frame.parent;
  for (let outer: MarkupElement | null = box; outer; outer = outer.parent) {
    if (!['relative', 'absolute', 'fixed', 'sticky'].includes(declared(outer).get('position') ?? ''))
      continue;
    box = outer;
    break;
  }
  return { element: box, box: declared(box) };
}

/**
 * A number that is declared of what stands on the page, in this unit; null where none is, or another unit.
 */
export function declaredNumber(code: Code, property: string, unit: 'px' | '%'): number | null {
  const target = targetOf(code);
  const found = /^(\d{1,5}(?:\.\d{1,6})?)(px|%)$/.exec(
    (target && code.inside.declarations(target.element).get(property)) ?? '',
  );
  return found?.[2] === unit ? Number(found[1]) : null;
}
