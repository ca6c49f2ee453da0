import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { numberType } from '../options/types/number.ts';
import { declare, holdBoxShape } from './declarations.ts';
import { declaredNumber, hasFrame, targetOf } from './target.ts';

export const option: Option<number> = {
  name: 'max-width',
  stage: 'presentation',
  type: numberType({ least: 1, most: 99_999, whole: true, unit: 'px' }),
  kinds: 'any',
  perDevice: true,
  example: '800',
  source: 'CSS Box Sizing 3, section 3 (max-width)',
  isOffered: (_, reading) => hasFrame(reading),
  current: (code) => declaredNumber(code, 'max-width', 'px'),
  contribute: (code, most) => {
    const target = targetOf(code);
    if (!target) return problem('nothing-to-present');
    return contribution([
      ...declare(target, [['max-width', `${most}px`, reason('never-wider', { most })]], ['min-width']),
      ...holdBoxShape(target),
    ]);
  },
};
