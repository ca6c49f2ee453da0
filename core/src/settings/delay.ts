import type { Definition } from './setting.ts';
import { parseTime, sayTime } from './time.ts';

export const setting: Definition<'delay', 'time'> = {
  name: 'delay',
  type: 'time',
  label: 'Waits',
  kinds: ['popup'],
  explain: 'How long it waits before it shows itself.',
  example: '0:20',
  parse: parseTime,
  say: sayTime,
  because: (seconds) => `Wait ${sayTime(seconds)}`,
};
