import { parseSwitch, saySwitch } from './switch.ts';
import type { Definition } from './setting.ts';

export const setting: Definition<'controls', 'switch'> = {
  name: 'controls',
  type: 'switch',
  label: 'Buttons',
  kinds: ['video', 'audio'],
  explain: 'Whether the player shows its buttons.',
  example: 'off',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Show the buttons of the player' : 'Hide the buttons of the player'),
};
