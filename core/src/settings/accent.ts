import { colourType } from '../options/types/colour.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'accent',
  type: colourType,
  kinds: 'any',
  example: '#aa3355',
  source: 'CSS Color 4, section 5.2',
  words: 'accent color colour hue tint highlight primary brand shade ink',
});
