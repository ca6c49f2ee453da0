import { parseSwitch, saySwitch } from './switch.ts';
import type { Definition } from './setting.ts';

export const setting: Definition<'loop', 'switch'> = {
  name: 'loop',
  type: 'switch',
  label: 'Again and again',
  kinds: ['video', 'audio'],
  explain: 'Whether it begins again when it has come to its end.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Play again and again' : 'Play once'),
};
