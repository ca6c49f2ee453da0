import type { Change } from '../options/change.ts';
import { reason } from '../reason.ts';
import type { Reason } from '../reason.ts';
import { fraction } from './shape-of.ts';
import type { PresentationTarget } from './target.ts';

/** One declaration, with its reason; the property is added to the facts. */
export type Declared = readonly [property: string, value: string, reason: Reason];

/** Declarations in an element’s own style. `clears` are properties that would undo them. */
export const declare = (
  { element }: Pick<PresentationTarget, 'element'>,
  declared: readonly Declared[],
  clears: readonly string[],
): Change[] =>
  declared.map(([property, value, { code, facts }]) => ({
    kind: 'declaration',
    element,
    property,
    value,
    clears,
    reason: { code, facts: { ...facts, property } },
  }));

/**
 * What a provider’s box needs so that it keeps its shape at another width. Padding in per cent counts of the
 * width of the place, not of the box (CSS 2.2, section 8.4): as soon as the box is narrower, its shape must
 * be held otherwise.
 */
export function holdBoxShape({ box, element }: PresentationTarget): Change[] {
  if (box === null) return [];
  const padded = ['padding-bottom', 'padding-top', 'padding'].find((property) =>
    /^\d{1,4}(?:\.\d{1,6})?%$/.test(lastPart(box.get(property))),
  );
  if (padded === undefined) return [];
  const { width, height } = fraction(100 / Number.parseFloat(lastPart(box.get(padded))));
  return declare(
    { element },
    [
      ['height', 'auto', reason('box-height-follows')],
      ['aspect-ratio', `${width}/${height}`, reason('box-holds-shape', { shape: `${width}:${height}` })],
      [padded, '0', reason('box-without-padding')],
    ],
    [],
  );
}

/* Of `padding` with several values, the third is the one below (CSS 2.2, section 8.4). */
const lastPart = (value = ''): string => {
  const parts = value.trim().split(/\s+/);
  return parts[2] ?? parts[0]!;
};
