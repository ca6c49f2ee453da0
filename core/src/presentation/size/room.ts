import type { HeightAt } from '../../options/types/heights.ts';

/**
 * A length of CSS that is as high as was measured at each of several widths, and between them on the line
 * from one to the next. Per cent count of the width of the place (CSS 2.2, section 8.4), so it holds in any
 * style attribute and needs no query.
 * @param exact never lower than any height, as for a frame, which would cut its content off. Else never
 * higher than what is on the lines below all of them, as space that is kept for nothing stays empty.
 */
export function roomFor(heights: readonly HeightAt[], exact: boolean): string {
  const points = exact ? heights : below(heights);
  const least = `${points.at(-1)?.height ?? 0}px`;
  const lines = points.slice(1).flatMap((to, at) => line(points[at]!, to));
  return lines.length === 0 ? least : `max(${[least, ...lines].join(',')})`;
}

/* The straight line through two heights; nothing where it is no higher than the last one anyway. */
function line(from: HeightAt, to: HeightAt): string[] {
  const slope = (to.height - from.height) / (to.width - from.width);
  const base = from.height - slope * from.width;
  const perCent = rounded(Math.abs(slope) * 100);
  if (perCent === 0) return [`${rounded(from.height)}px`];
  return [`calc(${rounded(base)}px ${slope < 0 ? '-' : '+'} ${perCent}%)`];
}

/* Those of the points that a cord that is tied to the first and the last one, and pulled tight below them,
   touches. */
function below(points: readonly HeightAt[]): HeightAt[] {
  const cord: HeightAt[] = [];
  for (const point of points) {
    while (cord.length > 1 && turn(cord.at(-2)!, cord.at(-1)!, point) <= 0) cord.pop();
    cord.push(point);
  }
  return cord;
}

const turn = (a: HeightAt, b: HeightAt, c: HeightAt): number =>
  (b.width - a.width) * (c.height - a.height) - (b.height - a.height) * (c.width - a.width);

const rounded = (value: number): number => Math.round(value * 100) / 100;
