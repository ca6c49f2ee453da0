import { textType } from '../../options/types/text.ts';
import { companion } from '../companion.ts';

export const option = companion<string>({
  name: 'whole-link-name',
  type: textType({ length: 120 }),
  group: 'over',
  example: 'All our films',
  source: 'WAI-ARIA 1.2, section 6.6 (aria-label)',
});
