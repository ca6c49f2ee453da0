import type { Definition } from './setting.ts';
import { parseLanguage } from './values.ts';

export const setting: Definition<'language', 'text'> = {
  name: 'language',
  type: 'text',
  label: 'Language',
  kinds: 'any',
  explain: 'The language in which the provider speaks to visitors.',
  example: 'en',
  parse: parseLanguage,
  say: (value) => value,
  because: (value) => `Speak ${value}`,
};
