import type { Option } from '../options/option.ts';
import { numberType } from '../options/types/number.ts';
import { currentSide, otherSideOf, setSide } from './size.ts';
import { showsSomething } from './targets.ts';

export const option: Option<number> = {
  name: 'height',
  stage: 'settings',
  type: numberType({ least: 1, most: 9999, whole: true, unit: 'px' }),
  kinds: 'any',
  example: '360',
  source: 'HTML, section 4.8.17 (dimension attributes)',
  isOffered: (_, reading) => showsSomething(reading),
  current: (code) => currentSide(code, 'height'),
  implies: (code, value, options) => otherSideOf(code, 'height', value, options),
  contribute: (code, value, context) => setSide(code, 'height', value, context),
};
