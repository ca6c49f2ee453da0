import { numberType } from '../../options/types/number.ts';
import { companion } from '../companion.ts';

export const option = companion<number>({
  name: 'band-focus-y',
  type: numberType({ least: 0, most: 100, whole: true, unit: '%' }),
  group: 'over',
  example: '30%',
  source: 'CSS Transforms 1, section 13.1 (translate: per cent of the element itself)',
});
