import type { Definition } from './setting.ts';
import { parseTime, sayTime } from './time.ts';

export const setting: Definition<'end', 'time'> = {
  name: 'end',
  type: 'time',
  label: 'End',
  kinds: ['video', 'audio'],
  explain: 'Where playing stops.',
  example: '3:04',
  parse: parseTime,
  say: sayTime,
  because: (seconds) => `Stop at ${sayTime(seconds)}`,
};
