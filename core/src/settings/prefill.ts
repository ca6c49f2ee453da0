import type { Definition } from './setting.ts';
import { parseText } from './values.ts';

export const setting: Definition<'prefill', 'text'> = {
  name: 'prefill',
  type: 'text',
  label: 'Filled in',
  kinds: ['form'],
  explain: 'What stands in the first field before anybody types.',
  example: 'reader@hollinfell.localhost',
  parse: (text) => parseText(text, 200),
  say: (value) => value,
  because: (value) => `Fill in “${value}”`,
};
