import type { Code } from '../../code.ts';
import type { Options, Ratio } from '../../options/values.ts';
import { frameOf } from '../target.ts';

/**
 * The shape to hold: what the owner says, else what the code says, else the natural shape of the provider’s
 * content; null where nothing tells it.
 */
export function shapeOf(code: Code, options: Options): Ratio | null {
  if (options['shape'] !== undefined) return reduced(options['shape'] as Ratio);
  const frame = frameOf(code);
  const stated = frame && code.inside.declarations(frame).get('aspect-ratio');
  const exact = /^(\d{1,5})\s?\/\s?(\d{1,5})$/.exec(stated ?? '');
  if (exact) return reduced({ width: Number(exact[1]), height: Number(exact[2]) });
  const { width, height, ratio } = code.reading.size;
  if (ratio !== null) {
    const whole =
      width?.unit === 'px' &&
      height?.unit === 'px' &&
      Number.isInteger(width.value) &&
      Number.isInteger(height.value);
    if (whole && Math.abs(width.value / height.value - ratio) < 0.0001)
      return reduced({ width: width.value, height: height.value });
    return fraction(ratio);
  }
  return code.sheet?.shape ? reduced(code.sheet.shape) : null;
}

/** The simplest fraction that is as good as a ratio of four decimals. */
export function fraction(ratio: number): Ratio {
  for (let height = 1; height <= 200; height++) {
    const width = Math.round(ratio * height);
    if (width > 0 && Math.abs(width / height - ratio) < 0.0006) return { width, height };
  }
  return reduced({ width: Math.round(ratio * 1000), height: 1000 });
}

function reduced({ width, height }: Ratio): Ratio {
  const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));
  const by = divisor(width, height);
  return { width: width / by, height: height / by };
}
