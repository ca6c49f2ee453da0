import { numberType } from '../../options/types/number.ts';
import { companion } from '../companion.ts';

export const option = companion<number>({
  name: 'crop-scale',
  type: numberType({ least: 10, most: 400, whole: true, unit: '%' }),
  group: 'crop',
  example: '150%',
  source: 'CSS Transforms 1, section 13.1 (scale)',
});
