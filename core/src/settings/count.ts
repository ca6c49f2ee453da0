import type { Definition } from './setting.ts';
import { parseNumber } from './values.ts';

export const setting: Definition<'count', 'number'> = {
  name: 'count',
  type: 'number',
  label: 'How many',
  kinds: ['feed', 'reviews', 'shop'],
  explain: 'How many items are shown.',
  example: '6',
  parse: (text) => parseNumber(text, 1, 500),
  say: String,
  because: (value) => `Show ${value}`,
};
