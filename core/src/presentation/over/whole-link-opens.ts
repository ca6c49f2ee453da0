import { choiceType } from '../../options/types/choice.ts';
import { companion } from '../companion.ts';

export const option = companion<string>({
  name: 'whole-link-opens',
  type: choiceType(['same', 'new']),
  group: 'over',
  example: 'new',
  source: 'HTML, section 4.6.2 (target, rel)',
});
