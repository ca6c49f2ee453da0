import { contribution, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { reason } from '../../reason.ts';
import { declare, type Declared } from '../declarations.ts';
import { declaredNumber, frameOf, hasPlace, noTarget } from '../target.ts';
import { bodyOf } from '../standing.ts';

export const option: Option<number> = {
  name: 'corners',
  stage: 'presentation',
  type: numberType({ least: 0, most: 200, whole: true, unit: 'px' }),
  kinds: 'any',
  perDevice: true,
  group: 'edges',
  example: '12',
  source:
    'CSS Backgrounds and Borders 3, section 4 (border-radius); a frame and a player are clipped by their own',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => declaredNumber(code, 'border-radius', 'px'),
  contribute: (code, radius, { options }) => {
    const target = bodyOf(code, options);
    if (!target) return noTarget(code);
    const clipped: Declared[] =
      target.element === frameOf(code) ? [] : [['overflow', 'hidden', reason('clipped-at-corners')]];
    return contribution(
      declare(
        target,
        [['border-radius', `${radius}px`, reason('rounded-corners', { radius })], ...clipped],
        [
          'border-top-left-radius',
          'border-top-right-radius',
          'border-bottom-left-radius',
          'border-bottom-right-radius',
          ...(clipped.length > 0 ? ['overflow-x', 'overflow-y'] : []),
        ],
      ),
    );
  },
};
