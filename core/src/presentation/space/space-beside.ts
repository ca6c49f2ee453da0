import { contribution, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { ourBackdrop } from '../../options/change.ts';
import { reason } from '../../reason.ts';
import { declare } from '../declarations.ts';
import { outermostOf, standing } from '../standing.ts';
import { hasPlace, noTarget } from '../target.ts';

export const option: Option<number> = {
  name: 'space-beside',
  stage: 'presentation',
  type: numberType({ least: 0, most: 400, whole: true, unit: 'px' }),
  kinds: 'any',
  group: 'space',
  example: '16',
  source: 'CSS Box 3, section 3 (margin); CSS Values and Units 4, section 10.1 (calc)',
  isOffered: (_, reading) => hasPlace(reading),
  current: () => null,
  contribute: (code, space, { options }) => {
    if (!outermostOf(code, options)) return noTarget(code);
    const why = reason('space-at', { space, where: 'beside' });
    return contribution([
      ...declare(
        { element: ourBackdrop },
        [
          ['width', `calc(100% - ${2 * space}px)`, why],
          ['margin-left', `${space}px`, why],
          ['margin-right', `${space}px`, why],
          ['box-sizing', 'border-box', reason('padding-within-width')],
        ],
        [],
      ),
      ...standing(code, options),
    ]);
  },
};
