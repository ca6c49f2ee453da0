import { parseSwitch, saySwitch } from './switch.ts';
import type { Definition } from './setting.ts';

export const setting: Definition<'muted', 'switch'> = {
  name: 'muted',
  type: 'switch',
  label: 'Silent',
  kinds: ['video', 'audio'],
  explain: 'Whether it plays without sound.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Play without sound' : 'Play with sound'),
};
