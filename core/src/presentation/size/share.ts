import { contribution, type Option } from '../../options/option.ts';
import { reason } from '../../reason.ts';
import { numberType } from '../../options/types/number.ts';
import { declare, holdBoxShape } from '../declarations.ts';
import { placeOf } from '../standing.ts';
import { declaredNumber, hasPlace, noTarget } from '../target.ts';

export const option: Option<number> = {
  name: 'share',
  stage: 'presentation',
  type: numberType({ least: 1, most: 100, unit: '%' }),
  kinds: 'any',
  perDevice: true,
  example: '80%',
  source: 'CSS Box Sizing 3, section 3 (width)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => declaredNumber(code, 'width', '%'),
  contribute: (code, share, { options }) => {
    const target = placeOf(code, options);
    if (!target) return noTarget(code);
    return contribution([
      ...declare(target, [['width', `${share}%`, reason('share-of-place', { share })]], ['min-width']),
      ...holdBoxShape(target, options),
    ]);
  },
};
