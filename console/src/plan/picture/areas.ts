import type { PageArea, PageSurvey, Spot } from '@orbis/contract';

type Box = PageArea['box'];

const size = ({ width, height }: Box): number => width * height;
const holds = (outer: Box, inner: Box): boolean =>
  outer.left <= inner.left &&
  outer.top <= inner.top &&
  outer.left + outer.width >= inner.left + inner.width &&
  outer.top + outer.height >= inner.top + inner.height;

const smallest = (areas: readonly PageArea[]): PageArea | null =>
  areas.reduce<PageArea | null>(
    (least, area) => (least === null || size(area.box) < size(least.box) ? area : least),
    null,
  );

/** The smallest area that a point of the picture is in; null where there is none. */
export const areaAt = (areas: readonly PageArea[], { x, y }: { x: number; y: number }): PageArea | null =>
  smallest(areas.filter(({ box }) => holds(box, { left: x, top: y, width: 0, height: 0 })));

/** The smallest area around another that is larger; null where there is none. */
export const areaAround = (areas: readonly PageArea[], { box }: PageArea): PageArea | null =>
  smallest(areas.filter((area) => holds(area.box, box) && size(area.box) > size(box)));

/** Where a spot is in a picture; null where nobody said it, or what it is in is not there. */
export function areaOfSpot(
  { key, selector }: Pick<Spot, 'key' | 'selector'>,
  survey: PageSurvey,
): PageArea | null {
  if (selector === null) return null;
  const area = survey.spots.find((spot) => spot.key === key)?.area;
  return area?.selector === selector
    ? area
    : (survey.areas.find((offered) => offered.selector === selector) ?? null);
}
