import type { Definition } from './setting.ts';
import { parseSwitch, saySwitch } from './switch.ts';

export const setting: Definition<'privacy', 'switch'> = {
  name: 'privacy',
  type: 'switch',
  label: 'Quieter',
  kinds: ['video', 'audio', 'map'],
  explain: 'Whether the provider’s quieter address is used: one that keeps nothing in the visitor’s browser.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Use the provider’s quieter address' : 'Use the provider’s usual address'),
};
