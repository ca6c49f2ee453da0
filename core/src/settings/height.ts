import type { Definition } from './setting.ts';
import { parseNumber } from './values.ts';

export const setting: Definition<'height', 'number'> = {
  name: 'height',
  type: 'number',
  label: 'Height',
  kinds: 'any',
  explain: 'How high it is, in px; the width follows where the shape is known.',
  example: '360',
  parse: (text) => parseNumber(text, 1, 9999),
  say: String,
  because: (value) => `Make it ${value} px high`,
};
