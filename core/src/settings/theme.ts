import type { Definition } from './setting.ts';
import { parseChoice } from './values.ts';

export const setting: Definition<'theme', 'choice'> = {
  name: 'theme',
  type: 'choice',
  label: 'Look',
  kinds: 'any',
  explain: 'The provider’s light or dark look.',
  example: 'dark',
  parse: (text) => parseChoice(text, ['light', 'dark']),
  say: (value) => value,
  because: (value) => `Use the ${value} look`,
};
