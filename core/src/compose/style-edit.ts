import type { Code } from '../code.ts';
import type { DeclarationChange } from '../options/change.ts';
import { rawAttribute } from '../settings/targets.ts';
import { changeStyle, setRawAttribute, styleSeams, type Edit, type EditReason } from '../text/index.ts';
import type { AskedChange } from './changes.ts';
import { reasonOf } from './reasons.ts';

/* The order in which declarations are written, whatever the order of the options. */
const order = [
  'display',
  'width',
  'max-width',
  'height',
  'aspect-ratio',
  'padding-bottom',
  'padding-top',
  'padding',
  'margin',
  'border',
  'align-self',
];

/**
 * The edit of an element’s own `style`: declarations are appended or replaced where they stand, and those
 * that would undo them are taken out and named.
 */
export function styleEdit(
  code: Code,
  changes: readonly (AskedChange & DeclarationChange)[],
): { place: Pick<Edit, 'start' | 'end' | 'text'> | null; reasons: EditReason[] } {
  const [{ element }] = changes as [AskedChange & DeclarationChange];
  const wanted = [...changes].sort((a, b) => order.indexOf(a.property) - order.indexOf(b.property));
  const now = rawAttribute(code, element, 'style');
  const { raw, replaced } = changeStyle(now, wanted, new Set(changes.flatMap(({ clears }) => clears)));
  if (raw === now) return { place: null, reasons: [] };
  const reasons = wanted.map(reasonOf);
  const { stage, option } = reasons[0]!;
  if (replaced.length > 0)
    reasons.push({ stage, option, code: 'gave-way', facts: { declarations: replaced.join(', ') } });
  return { place: setRawAttribute(code.text, element, 'style', raw, styleSeams), reasons };
}
