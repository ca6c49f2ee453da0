import { contribution, type Option } from '../../options/option.ts';
import { reason } from '../../reason.ts';
import { numberType } from '../../options/types/number.ts';
import { declare, holdBoxShape, type Declared } from '../declarations.ts';
import { placeOf } from '../standing.ts';
import { declaredNumber, hasPlace, noTarget } from '../target.ts';

export const option: Option<number> = {
  name: 'max-width',
  stage: 'presentation',
  type: numberType({ least: 1, most: 99_999, whole: true, unit: 'px' }),
  kinds: 'any',
  perDevice: true,
  example: '800',
  source: 'CSS Box Sizing 3, section 3 (max-width)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => declaredNumber(code, 'max-width', 'px'),
  contribute: (code, most, { options }) => {
    const target = placeOf(code, options);
    if (!target) return noTarget(code);
    // Among flexible neighbours a box is as wide as what is in it, unless it says otherwise.
    const filling: Declared[] =
      target.fills && options['share'] === undefined ? [['width', '100%', reason('fills-its-place')]] : [];
    return contribution([
      ...declare(
        target,
        [...filling, ['max-width', `${most}px`, reason('never-wider', { most })]],
        ['min-width'],
      ),
      ...holdBoxShape(target, options),
    ]);
  },
};
