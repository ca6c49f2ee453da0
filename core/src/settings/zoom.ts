import type { Definition } from './setting.ts';
import { parseNumber } from './values.ts';

export const setting: Definition<'zoom', 'number'> = {
  name: 'zoom',
  type: 'number',
  label: 'Zoom',
  kinds: ['map', 'document'],
  explain: 'How close in: the larger the number, the closer.',
  example: '14',
  parse: (text) => parseNumber(text, 0, 1000, false),
  say: String,
  because: (value) => `Zoom to ${value}`,
};
