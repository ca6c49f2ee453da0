import type { Definition } from './setting.ts';
import { parseText } from './values.ts';

export const setting: Definition<'view', 'choice'> = {
  name: 'view',
  type: 'choice',
  label: 'View',
  kinds: ['map', 'document'],
  explain: 'Which of the provider’s views is shown; each provider has its own words for them.',
  example: 'satellite',
  parse: (text) => parseText(text, 40),
  say: (value) => value,
  because: (value) => `Show the view “${value}”`,
};
