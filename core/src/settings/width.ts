import type { Definition } from './setting.ts';
import { parseNumber } from './values.ts';

export const setting: Definition<'width', 'number'> = {
  name: 'width',
  type: 'number',
  label: 'Width',
  kinds: 'any',
  explain: 'How wide it is, in px; the height follows where the shape is known.',
  example: '640',
  parse: (text) => parseNumber(text, 1, 9999),
  say: String,
  because: (value) => `Make it ${value} px wide`,
};
