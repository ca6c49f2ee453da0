import type { Definition } from './setting.ts';
import { parseSwitch, saySwitch } from './switch.ts';

export const setting: Definition<'autoplay', 'switch'> = {
  name: 'autoplay',
  type: 'switch',
  label: 'Plays by itself',
  kinds: ['video', 'audio'],
  explain: 'Whether it plays by itself as soon as it is there. Browsers allow that only without sound, so it brings “muted” with it.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Play by itself' : 'Wait for a click before playing'),
};
