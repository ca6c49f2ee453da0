import type { Definition } from './setting.ts';
import { parseSwitch, saySwitch } from './switch.ts';

export const setting: Definition<'captions', 'switch'> = {
  name: 'captions',
  type: 'switch',
  label: 'Captions',
  kinds: ['video'],
  explain: 'Whether what is said is shown in words.',
  example: 'on',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Show captions' : 'Show no captions'),
};
