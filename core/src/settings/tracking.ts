import type { Definition } from './setting.ts';
import { parseSwitch, saySwitch } from './switch.ts';

export const setting: Definition<'tracking', 'switch'> = {
  name: 'tracking',
  type: 'switch',
  label: 'Tracking',
  kinds: 'any',
  explain: 'Whether addresses keep the parameters that only follow people and change nothing of what is shown; off takes them out.',
  example: 'off',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Keep the parameters that follow people' : 'Take out the parameters that only follow people'),
};
