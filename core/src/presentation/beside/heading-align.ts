import { choiceType } from '../../options/types/choice.ts';
import { companion } from '../companion.ts';

export const option = companion<string>({
  name: 'heading-align',
  type: choiceType(['beginning', 'centre', 'end'], {
    start: 'beginning',
    center: 'centre',
    middle: 'centre',
  }),
  group: 'beside',
  example: 'centre',
  source: 'CSS Text 3, section 6.1 (text-align)',
});
