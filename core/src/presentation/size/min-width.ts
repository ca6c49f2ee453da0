import { contribution, problem, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { reason } from '../../reason.ts';
import { declare, holdBoxShape } from '../declarations.ts';
import { placeOf } from '../standing.ts';
import { declaredNumber, hasPlace, noTarget } from '../target.ts';

export const option: Option<number> = {
  name: 'min-width',
  stage: 'presentation',
  type: numberType({ least: 1, most: 99_999, whole: true, unit: 'px' }),
  kinds: 'any',
  perDevice: true,
  example: '320',
  source: 'CSS Box Sizing 3, section 3 (min-width)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => declaredNumber(code, 'min-width', 'px'),
  contribute: (code, least, { options }) => {
    const target = placeOf(code, options);
    if (!target) return noTarget(code);
    const most = options['max-width'];
    if (typeof most === 'number' && most < least) return problem('widths-cross', { least, most });
    return contribution([
      ...declare(target, [['min-width', `${least}px`, reason('never-narrower', { least })]], []),
      ...holdBoxShape(target, options),
    ]);
  },
};
