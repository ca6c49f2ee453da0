import type { Definition } from './setting.ts';
import { parseNumber } from './values.ts';

export const setting: Definition<'page', 'number'> = {
  name: 'page',
  type: 'number',
  label: 'Page',
  kinds: ['document'],
  explain: 'The page at which the document opens.',
  example: '3',
  parse: (text) => parseNumber(text, 1, 100_000),
  say: String,
  because: (value) => `Open page ${value}`,
};
