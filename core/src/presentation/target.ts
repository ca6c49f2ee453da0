import type { MarkupElement } from '../text/index.ts';
import type { Code } from '../code.ts';
import { isOurs, ourBox, type OurElement } from '../options/change.ts';
import { problem, type Contribution } from '../options/option.ts';
import type { Reading } from '../reading/reading.ts';
import { boxAround, standsOverPage } from './around.ts';

const shown = new Set(['iframe', 'video', 'object', 'embed', 'audio']);

/** The frame or player that a code shows, or the picture that is all of it; null where it has none. */
export const frameOf = ({ markup: { elements } }: Pick<Code, 'markup'>): MarkupElement | null =>
  elements.find((element) => shown.has(element.name)) ??
  (elements.length === 1 && elements[0]!.name === 'img' ? elements[0]! : null);

/** Whether a reading, where there is one, has a frame or a player, or is a picture alone. */
export const hasFrame = (reading: Pick<Reading, 'parts'> | null): boolean =>
  reading === null ||
  reading.parts.some(({ role }) => role === 'frame' || role === 'media') ||
  (reading.parts.length === 1 && reading.parts[0]!.role === 'image');

/** Whether a reading, where there is one, has something that stands on the page, or can be put into a box. */
export const hasPlace = (reading: Pick<Reading, 'parts' | 'kind'> | null): boolean =>
  reading === null || hasFrame(reading) || !standsOverPage(reading);

/** Why nothing of a code has a width or a place. */
export const noTarget = ({ reading }: Code): Contribution =>
  standsOverPage(reading) ? problem('over-the-page') : problem('nothing-to-present');

/** What stands on the page, and so has a width and a place there. */
export interface PresentationTarget {
  /** The frame or player itself, the provider’s own box that it is laid over, or an element of ours. */
  element: MarkupElement | OurElement;
  /** The declarations of the provider’s box, by property; null where it is another element. */
  box: ReadonlyMap<string, string> | null;
  /** Whether it is a block by itself. */
  isBlock: boolean;
  /** Whether it is as wide as its place as long as nothing is asked. */
  fills: boolean;
}

/**
 * What presentation changes in a code as it is. A frame that is placed absolutely fills the box that it is
 * laid over (CSS Positioned Layout 3, section 2.1): whatever is declared on the frame itself, the box stays
 * as it is.
 */
export function targetOf(code: Code): PresentationTarget | null {
  const frame = frameOf(code);
  if (!frame) {
    const element = boxAround(code);
    return element && { element, box: null, isBlock: true, fills: true };
  }
  const declared = code.inside.declarations;
  if (!frame.parent || declared(frame).get('position') !== 'absolute')
    return { element: frame, box: null, isBlock: false, fills: false };
  let box = frame.parent;
  for (let outer: MarkupElement | null = box; outer; outer = outer.parent) {
    if (!isPositioned(declared(outer))) continue;
    box = outer;
    break;
  }
  return { element: box, box: declared(box), isBlock: true, fills: false };
}

/** Whether what is placed absolutely in an element with these declarations is placed by it. */
export const isPositioned = (declared: ReadonlyMap<string, string>): boolean =>
  ['relative', 'absolute', 'fixed', 'sticky'].includes(declared.get('position') ?? '');

/** What a code declares itself of what stands on the page; null where that would be our box. */
export function declaredBy(code: Code): ReadonlyMap<string, string> | null {
  const element = targetOf(code)?.element ?? ourBox;
  return isOurs(element) ? null : code.inside.declarations(element);
}

/**
 * A number that is declared of what stands on the page, in this unit; null where none is, or another unit.
 */
export function declaredNumber(code: Code, property: string, unit: 'px' | '%'): number | null {
  const found = /^(\d{1,5}(?:\.\d{1,6})?)(px|%)$/.exec(declaredBy(code)?.get(property) ?? '');
  return found?.[2] === unit ? Number(found[1]) : null;
}
