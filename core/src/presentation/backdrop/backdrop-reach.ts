import { choiceType } from '../../options/types/choice.ts';
import { companion } from '../companion.ts';

export const option = companion<string>({
  name: 'backdrop-reach',
  type: choiceType(['content', 'page']),
  group: 'beside',
  example: 'page',
  source: 'CSS Masking 1, section 5.1 (clip-path)',
});
