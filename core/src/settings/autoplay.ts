import { parseSwitch, saySwitch } from './switch.ts';
import type { SwitchDefinition } from './setting.ts';

export const setting: SwitchDefinition = {
  name: 'autoplay',
  type: 'switch',
  explain: 'Whether it plays by itself as soon as it is there. Browsers allow that only without sound, so it brings “muted” with it.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Play by itself' : 'Wait for a click before playing'),
};
