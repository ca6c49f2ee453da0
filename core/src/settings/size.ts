import type { Code } from '../code.ts';
import {
  contribution,
  problem,
  type Contribution,
  type Implied,
  type OptionContext,
} from '../options/option.ts';
import { reason } from '../reason.ts';
import type { Options, Ratio } from '../options/values.ts';
import { shownElement } from './targets.ts';

type Side = 'width' | 'height';
const otherSide = { width: 'height', height: 'width' } as const;

/** Sets a side of the frame or player, in px. */
export function setSide(code: Code, side: Side, value: number, { implied }: OptionContext): Contribution {
  const element = shownElement(code);
  if (!element) return problem('part-missing', { setting: side, part: 'frame' });
  const why = implied.get(side)?.reason ?? reason('set-side', { side, value });
  return contribution([{ kind: 'attribute', element, name: side, value: String(value), reason: why }]);
}

/**
 * The other side, where the shape is known: the sum that people would do. The shape that is asked for is the
 * one that counts.
 */
export function otherSideOf(
  code: Code,
  side: Side,
  value: number,
  { shape }: Options,
): Omit<Implied, 'by'>[] {
  const asked = shape as Ratio | undefined;
  const natural = asked ?? code.sheet?.shape;
  const ratio = asked
    ? asked.width / asked.height
    : (code.reading.size.ratio ?? (natural ? natural.width / natural.height : null));
  // Where a style says a side, attributes are not what is seen (HTML, section 15.2):
  // there is nothing to sum up.
  const element = shownElement(code);
  const declared = element && code.inside.declarations(element);
  if (ratio === null || declared?.has('width') || declared?.has('height')) return [];
  const isNatural = natural && Math.abs(ratio - natural.width / natural.height) < 0.001;
  const other = Math.max(1, Math.round(side === 'width' ? value / ratio : value * ratio));
  const facts = {
    side,
    value,
    other,
    shape: isNatural ? `${natural.width}:${natural.height}` : `${ratio}:1`,
  };
  return [{ option: otherSide[side], value: other, reason: reason('side-by-shape', facts) }];
}

/**
 * A side as the code’s own attribute says it, in px (HTML, section 2.3.4.4); null where it
 * says none, or another unit.
 */
export function currentSide(code: Code, side: Side): number | null {
  const found = /^\s{0,20}(\d{1,4})(?:\.\d+)?(?:px)?\s{0,20}$/i.exec(
    shownElement(code)?.attributes.value(side) ?? '',
  );
  const value = Number(found?.[1] ?? 0);
  return value > 0 ? value : null;
}
