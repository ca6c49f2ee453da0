import { contribution, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { numberType } from '../options/types/number.ts';
import { declare, holdBoxShape } from './declarations.ts';
import { declaredNumber, hasPlace, noTarget, targetOf } from './target.ts';

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
  contribute: (code, share) => {
    const target = targetOf(code);
    if (!target) return noTarget(code);
    return contribution([
      ...declare(target, [['width', `${share}%`, reason('share-of-place', { share })]], ['min-width']),
      ...holdBoxShape(target),
    ]);
  },
};
