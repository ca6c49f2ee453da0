import type { TimeDefinition } from './setting.ts';
import { parseTime, sayTime } from './time.ts';

export const setting: TimeDefinition = {
  name: 'end',
  type: 'time',
  explain: 'Where playing stops.',
  example: '3:04',
  parse: parseTime,
  say: sayTime,
  because: (seconds) => `Stop at ${sayTime(seconds)}`,
};
