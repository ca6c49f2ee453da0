import type { Code } from '../code.ts';
import {
  isOurs,
  layers,
  type AttributeChange,
  type DeclarationChange,
  type Layer,
  type OurElement,
  type TagChange,
  type TokenChange,
} from '../options/change.ts';
import { reason, type Reason } from '../reason.ts';
import { frameOf } from '../presentation/target.ts';
import type { AskedChange } from './changes.ts';
import { markChange, markName, markReason, writeMark, type Mark } from './mark.ts';
import { reasonOf } from './reasons.ts';
import { inStyleOrder } from './style-edit.ts';

type OfOurs = AskedChange &
  (AttributeChange | DeclarationChange | TagChange | TokenChange) & { element: OurElement };

const isOfOurs = (change: AskedChange): change is OfOurs =>
  'element' in change && typeof change.element === 'object' && isOurs(change.element);

/**
 * Makes one element of all that is asked of each element of ours, around the whole code; what is outermost
 * carries the mark.
 */
export function withOurs(
  code: Code,
  changes: readonly AskedChange[],
  mark: Mark | null,
): readonly AskedChange[] {
  const ofOurs = changes.filter(isOfOurs);
  if (ofOurs.length === 0) return mark ? [...changes, markChange(code, mark)] : changes;
  const used = layers.filter((layer) => ofOurs.some(({ element }) => element.ours === layer));
  return [
    ...changes.filter((change) => !isOfOurs(change)),
    ...used.map((layer, at) =>
      around(
        code,
        layer,
        ofOurs.filter(({ element }) => element.ours === layer),
        at === 0 ? mark : null,
      ),
    ),
  ];
}

function around(code: Code, layer: Layer, changes: readonly OfOurs[], mark: Mark | null): AskedChange {
  const { stage, option } = changes[0]!;
  const declared = inStyleOrder(changes.filter((change) => change.kind === 'declaration'));
  const classes = changes.filter((change) => change.kind === 'token');
  const attributes = changes.filter((change) => change.kind === 'attribute');
  const tag = changes.find((change) => change.kind === 'tag');
  return {
    kind: 'surround',
    range: { start: 0, end: code.text.length },
    layer,
    element: tag?.name ?? 'div',
    attributes: {
      ...(classes.length > 0 && { class: classes.map(({ token }) => token).join(' ') }),
      ...(declared.length > 0 && {
        style: declared.map(({ property, value }) => `${property}:${value}`).join(';'),
      }),
      ...Object.fromEntries(attributes.map(({ name, value }) => [name, value === true ? '' : String(value)])),
      ...(mark && { [markName]: writeMark(mark) }),
    },
    holds: [...[...declared, ...classes, ...attributes].map(reasonOf), ...(mark ? [markReason] : [])],
    reason: tag?.reason ?? whyAround(code, layer),
    stage,
    option,
  };
}

function whyAround(code: Code, layer: Layer): Reason {
  if (layer === 'backdrop') return reason('panel-around');
  if (layer === 'clip') return reason('kept-apart');
  if (layer === 'room') return reason('room-around');
  return frameOf(code) ? reason('stage-around') : reason('box-around');
}
