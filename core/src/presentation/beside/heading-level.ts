import { numberType } from '../../options/types/number.ts';
import { companion } from '../companion.ts';

export const option = companion<number>({
  name: 'heading-level',
  type: numberType({ least: 2, most: 6, whole: true }),
  group: 'beside',
  example: '3',
  source: 'HTML, section 4.3.6 (h1 to h6)',
});
