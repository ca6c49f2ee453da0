import type { Ratio } from '../../options/values.ts';

/**
 * How high a shape is at a width, in px: to the hundredth, and in whole px where that is not one.
 * @example heightAt(700, { width: 16, height: 9 }) // { wide: 700, high: 394, exactly: 393.75 }
 */
export function heightAt(
  wide: number,
  { width, height }: Ratio,
): { wide: number; high: number; exactly?: number } {
  const exactly = Math.round(((wide * height) / width) * 100) / 100;
  const high = Math.round(exactly);
  return exactly === high ? { wide, high } : { wide, high, exactly };
}
