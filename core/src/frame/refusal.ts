import type { Code } from '../code.ts';
import type { OptionProblem } from '../options/option.ts';
import { canSurround, standsOverPage } from '../presentation/around.ts';
import { isOpaque, type FramedWay } from './ways.ts';

/**
 * Why a code cannot be had in a way; null where it can.
 * @param sharesHost whether all that is served shares one host.
 */
export function frameRefusal(
  code: Code,
  way: FramedWay,
  sharesHost = false,
): Omit<OptionProblem, 'option'> | null {
  const { reading } = code;
  if (standsOverPage(reading)) return { code: 'over-the-page', facts: {} };
  if (!canSurround(code)) return { code: 'nothing-to-present', facts: {} };
  if (!isOpaque(way, sharesHost)) return null;
  // Observed: what is framed within has no origin either, and its own calls fail.
  const framesAnother = reading.parts.some(({ role }) => role === 'frame');
  if (way === 'served')
    return framesAnother || reading.needs.storage ? { code: 'frames-share-host', facts: {} } : null;
  if (framesAnother) return { code: 'frame-within-enclosed', facts: {} };
  if (reading.needs.storage) return { code: 'storage-in-enclosed', facts: {} };
  return null;
}
