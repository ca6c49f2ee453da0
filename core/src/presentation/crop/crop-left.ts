import { numberType } from '../../options/types/number.ts';
import { companion } from '../companion.ts';

export const option = companion<number>({
  name: 'crop-left',
  type: numberType({ least: 0, most: 9999, whole: true, unit: 'px' }),
  group: 'crop',
  example: '120',
  source: 'CSS Positioned Layout 3, section 3 (top, left)',
});
