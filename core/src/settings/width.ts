import type { Option } from '../options/option.ts';
import { numberType } from '../options/types/number.ts';
import { currentSide, otherSideOf, setSide } from './size.ts';
import { showsSomething } from './targets.ts';

export const option: Option<number> = {
  name: 'width',
  stage: 'settings',
  type: numberType({ least: 1, most: 9999, whole: true, unit: 'px' }),
  kinds: 'any',
  example: '640',
  source: 'HTML, section 4.8.17 (dimension attributes)',
  isOffered: (_, reading) => showsSomething(reading),
  current: (code) => currentSide(code, 'width'),
  implies: (code, value, options) => otherSideOf(code, 'width', value, options),
  contribute: (code, value, context) => setSide(code, 'width', value, context),
};
