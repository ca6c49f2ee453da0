import type { Code } from '../code.ts';
import type { DeclarationChange } from '../options/change.ts';
import { rawAttribute } from '../settings/targets.ts';
import {
  changeStyle,
  setRawAttribute,
  styleSeams,
  type Edit,
  type EditReason,
  type MarkupElement,
} from '../text/index.ts';
import type { AskedChange } from './changes.ts';
import { reasonOf } from './reasons.ts';

/* The order in which declarations are written, whatever the order of the options. */
const order = [
  'position',
  'top',
  'left',
  'display',
  'grid-template-columns',
  'grid-area',
  'width',
  'max-width',
  'min-width',
  'height',
  'aspect-ratio',
  'padding-bottom',
  'padding-top',
  'padding',
  'margin',
  'margin-top',
  'margin-right',
  'margin-bottom',
  'margin-left',
  'border',
  'box-sizing',
  'border-radius',
  'overflow',
  'background',
  'background-image',
  'color',
  'box-shadow',
  'clip-path',
  'transform-origin',
  'transform',
  'align-self',
];

/** Declarations as they are written, whatever the order of the options. */
export const inStyleOrder = <D extends Pick<DeclarationChange, 'property'>>(declared: readonly D[]): D[] =>
  [...declared].sort((a, b) => order.indexOf(a.property) - order.indexOf(b.property));

/**
 * The edit of an element’s own `style`: declarations are appended or replaced where they stand, and those
 * that would undo them are taken out and named.
 */
export function styleEdit(
  code: Code,
  changes: readonly (AskedChange & DeclarationChange)[],
): { place: Pick<Edit, 'start' | 'end' | 'text'> | null; reasons: EditReason[] } {
  const [{ element }] = changes as [AskedChange & DeclarationChange];
  const wanted = inStyleOrder(changes);
  // What is asked of our box was put into it before.
  const own = element as MarkupElement;
  const now = rawAttribute(code, own, 'style');
  const { raw, replaced } = changeStyle(now, wanted, new Set(changes.flatMap(({ clears }) => clears)));
  if (raw === now) return { place: null, reasons: [] };
  const reasons = wanted.map(reasonOf);
  const { stage, option } = reasons[0]!;
  if (replaced.length > 0)
    reasons.push({ stage, option, code: 'gave-way', facts: { declarations: replaced.join(', ') } });
  return { place: setRawAttribute(code.text, own, 'style', raw, styleSeams), reasons };
}
