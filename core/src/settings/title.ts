import type { Definition } from './setting.ts';
import { parseText } from './values.ts';

export const setting: Definition<'title', 'text'> = {
  name: 'title',
  type: 'text',
  label: 'Title',
  kinds: 'any',
  explain: 'What it is called for people who cannot see it.',
  example: 'Opening talk',
  parse: (text) => parseText(text, 200),
  say: (value) => value,
  because: (value) => `Call it “${value}” for people who cannot see it`,
};
