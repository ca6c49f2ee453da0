import { textType } from '../../options/types/text.ts';
import { companion } from '../companion.ts';

export const option = companion<string>({
  name: 'link-below-words',
  type: textType({ length: 80 }),
  group: 'beside',
  example: 'Plan your visit',
  source: 'HTML, section 4.5.1 (a)',
});
