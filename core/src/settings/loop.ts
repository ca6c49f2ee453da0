import { parseSwitch, saySwitch } from './switch.ts';
import type { SwitchDefinition } from './setting.ts';

export const setting: SwitchDefinition = {
  name: 'loop',
  type: 'switch',
  explain: 'Whether it begins again when it has come to its end.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Play again and again' : 'Play once'),
};
