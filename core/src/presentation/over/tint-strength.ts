import { numberType } from '../../options/types/number.ts';
import { companion } from '../companion.ts';

export const option = companion<number>({
  name: 'tint-strength',
  type: numberType({ least: 5, most: 95, whole: true, unit: '%' }),
  group: 'over',
  example: '60%',
  source: 'CSS Color 4, section 4.2 (opacity)',
});
