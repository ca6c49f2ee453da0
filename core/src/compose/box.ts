import type { Code } from '../code.ts';
import { ourBox, type DeclarationChange, type TokenChange } from '../options/change.ts';
import { reason } from '../reason.ts';
import type { AskedChange } from './changes.ts';
import { markChange, markName, markReason, writeMark, type Mark } from './mark.ts';
import { reasonOf } from './reasons.ts';
import { inStyleOrder } from './style-edit.ts';

type OfBox = AskedChange & (DeclarationChange | TokenChange);

const isOfBox = (change: AskedChange): change is OfBox => 'element' in change && change.element === ourBox;

/**
 * Makes one element of all that is asked of our box, around the whole code; what is outermost carries the
 * mark.
 */
export function withBox(
  code: Code,
  changes: readonly AskedChange[],
  mark: Mark | null,
): readonly AskedChange[] {
  const ofBox = changes.filter(isOfBox);
  const [first] = ofBox;
  if (!first) return mark ? [...changes, markChange(code, mark)] : changes;
  const declared = inStyleOrder(ofBox.filter((change) => change.kind === 'declaration'));
  const classes = ofBox.filter((change) => change.kind === 'token');
  const box: AskedChange = {
    kind: 'surround',
    range: { start: 0, end: code.text.length },
    layer: 'carrier',
    element: 'div',
    attributes: {
      ...(classes.length > 0 && { class: classes.map(({ token }) => token).join(' ') }),
      ...(declared.length > 0 && {
        style: declared.map(({ property, value }) => `${property}:${value}`).join(';'),
      }),
      ...(mark && { [markName]: writeMark(mark) }),
    },
    holds: [...[...declared, ...classes].map(reasonOf), ...(mark ? [markReason] : [])],
    reason: reason('box-around'),
    stage: first.stage,
    option: first.option,
  };
  return [...changes.filter((change) => !isOfBox(change)), box];
}
