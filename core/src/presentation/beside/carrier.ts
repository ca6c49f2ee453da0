import type { Code } from '../../code.ts';
import { ourCarrier, type Change } from '../../options/change.ts';
import type { Options } from '../../options/values.ts';
import { reason } from '../../reason.ts';
import { declare } from '../declarations.ts';
import { noMargins } from '../space/margins.ts';
import { outermostOf } from '../standing.ts';

/** What holds a code together with what stands above and below it: a figure, where it has a caption. */
export function carrier(code: Code, options: Options): Change[] {
  const isFigure = options['caption'] !== undefined;
  const isOutermost = outermostOf(code, options)?.element === ourCarrier;
  const { align } = options;
  const onCarrier = isOutermost ? options : align === undefined ? {} : { align };
  return [
    {
      kind: 'tag',
      element: ourCarrier,
      name: isFigure ? 'figure' : 'div',
      reason: reason(isFigure ? 'held-as-figure' : 'held-together'),
    },
    ...(isFigure ? declare({ element: ourCarrier }, noMargins(onCarrier), []) : []),
  ];
}
