import type { Definition } from './setting.ts';
import { parseText } from './values.ts';

export const setting: Definition<'account', 'text'> = {
  name: 'account',
  type: 'text',
  label: 'Account',
  kinds: ['feed', 'booking', 'counter', 'popup', 'reviews', 'shop', 'form'],
  explain: 'Whose things are shown: the account’s name or number at the provider.',
  example: 'hollinfell',
  parse: (text) => parseText(text, 120),
  say: (value) => value,
  because: (value) => `Show the account “${value}”`,
};
