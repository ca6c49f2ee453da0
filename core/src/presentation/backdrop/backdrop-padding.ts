import { numberType } from '../../options/types/number.ts';
import { companion } from '../companion.ts';

export const option = companion<number>({
  name: 'backdrop-padding',
  type: numberType({ least: 0, most: 200, whole: true, unit: 'px' }),
  group: 'beside',
  example: '32',
  source: 'CSS Box 3, section 4 (padding)',
});
