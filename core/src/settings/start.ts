import type { Definition } from './setting.ts';
import { parseTime, sayTime } from './time.ts';

export const setting: Definition<'start', 'time'> = {
  name: 'start',
  type: 'time',
  label: 'Start',
  kinds: ['video', 'audio'],
  explain: 'Where playing begins.',
  example: '1:52',
  parse: parseTime,
  say: sayTime,
  because: (seconds) => `Start at ${sayTime(seconds)}`,
};
