import type { Definition } from './setting.ts';
import { parseColour } from './values.ts';

export const setting: Definition<'accent', 'colour'> = {
  name: 'accent',
  type: 'colour',
  label: 'Accent colour',
  kinds: 'any',
  explain: 'The colour of buttons and lines in the provider’s part.',
  example: '#aa3355',
  parse: parseColour,
  say: (value) => value,
  because: (value) => `Use the accent ${value}`,
};
