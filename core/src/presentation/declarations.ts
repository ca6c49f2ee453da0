import type { Change } from '../options/change.ts';
import type { Options } from '../options/values.ts';
import { reason } from '../reason.ts';
import type { Reason } from '../reason.ts';
import { fraction } from './size/shape-of.ts';
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

/** What lays an element over the box that it stands in. */
export const laid: readonly Declared[] = [
  ['position', 'absolute', reason('laid-over-box')],
  ['top', '0', reason('laid-over-box')],
  ['left', '0', reason('laid-over-box')],
  // Themes say of every frame how high it is, and insist.
  ['width', '100%!important', reason('laid-over-box')],
  ['height', '100%!important', reason('laid-over-box')],
  ['border', '0', reason('no-frame-line')],
];

/** The same, as the style of an element of ours. */
export const laidStyle = 'position:absolute;top:0;left:0;width:100%;height:100%';

/**
 * What a provider’s box needs so that it keeps its shape at another width. Padding in per cent counts of the
 * width of the place, not of the box (CSS 2.2, section 8.4): as soon as the box is narrower, its shape must
 * be held otherwise.
 */
export function holdBoxShape({ box, element }: PresentationTarget, options: Options): Change[] {
  const padded = box && paddedSide(box);
  // A fit gives it a shape or a size by itself.
  if (!padded || options['fit'] !== undefined) return [];
  const { width, height } = fraction(100 / Number.parseFloat(lastPart(box.get(padded))));
  return declare({ element }, boxShape(padded, `${width}:${height}`, `${width}/${height}`), []);
}

/** What makes a provider’s box hold a shape otherwise than by its padding. */
export const boxShape = (padded: string | null, shape: string, ratio: string): Declared[] => [
  ['height', 'auto', reason('box-height-follows')],
  ['aspect-ratio', ratio, reason('box-holds-shape', { shape })],
  ...(padded === null ? [] : ([[padded, '0', reason('box-without-padding')]] as const)),
];

/** The padding in per cent by which a box holds its shape; null where it holds none so. */
export const paddedSide = (box: ReadonlyMap<string, string>): string | null =>
  ['padding-bottom', 'padding-top', 'padding'].find((property) =>
    /^\d{1,4}(?:\.\d{1,6})?%$/.test(lastPart(box.get(property))),
  ) ?? null;

/* Of `padding` with several values, the third is the one below (CSS 2.2, section 8.4). */
const lastPart = (value = ''): string => {
  const parts = value.trim().split(/\s+/);
  return parts[2] ?? parts[0]!;
};
