import type { Code } from '../code.ts';
import type { OptionProblem } from '../options/option.ts';
import { canSurround, standsOverPage } from '../presentation/around.ts';
import { isOpaque, type FramedWay } from './ways.ts';

/** Why a code cannot be had in a way; null where it can. */
export function frameRefusal(code: Code, way: FramedWay): Omit<OptionProblem, 'option'> | null {
  const { reading } = code;
  if (standsOverPage(reading)) return { code: 'over-the-page', facts: {} };
  if (!canSurround(code)) return { code: 'nothing-to-present', facts: {} };
  if (!isOpaque(way)) return null;
  // Observed: what is framed within has no origin either, and its own calls fail.
  if (reading.parts.some(({ role }) => role === 'frame')) return { code: 'frame-within-enclosed', facts: {} };
  if (reading.needs.storage) return { code: 'storage-in-enclosed', facts: {} };
  return null;
}
