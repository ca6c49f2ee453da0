import { textType } from '../../options/types/text.ts';
import { companion } from '../companion.ts';

export const option = companion<string>({
  name: 'load-words',
  type: textType({ length: 80 }),
  group: 'loading',
  example: 'Watch the film',
  source: 'HTML, section 4.10.6 (button)',
});
