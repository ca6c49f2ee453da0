import { ourBackdrop } from '../../options/change.ts';
import { contribution, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { reason } from '../../reason.ts';
import { companion } from '../companion.ts';
import { declare } from '../declarations.ts';

const words = companion<number>({
  name: 'backdrop-padding',
  type: numberType({ least: 0, most: 200, whole: true, unit: 'px' }),
  group: 'beside',
  example: '32',
  source: 'CSS Box 3, section 4 (padding)',
});

export const option: Option<number> = {
  ...words,
  // What holds everywhere is written with the panel itself.
  perDevice: true,
  contributeOnDevice: (code, padding, context) =>
    context.options['backdrop'] === undefined
      ? words.contribute(code, padding, context)
      : contribution(
          declare(
            { element: ourBackdrop },
            [['padding', `${padding}px`, reason('padding-around', { padding })]],
            [],
          ),
        ),
};
