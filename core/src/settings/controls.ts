import { parseSwitch, saySwitch } from './switch.ts';
import type { SwitchDefinition } from './setting.ts';

export const setting: SwitchDefinition = {
  name: 'controls',
  type: 'switch',
  explain: 'Whether the player shows its buttons.',
  example: 'off',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Show the buttons of the player' : 'Hide the buttons of the player'),
};
