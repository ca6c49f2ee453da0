import { parseSwitch, saySwitch } from './switch.ts';
import type { SwitchDefinition } from './setting.ts';

export const setting: SwitchDefinition = {
  name: 'muted',
  type: 'switch',
  explain: 'Whether it plays without sound.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Play without sound' : 'Play with sound'),
};
