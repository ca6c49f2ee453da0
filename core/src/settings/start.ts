import type { TimeDefinition } from './setting.ts';
import { parseTime, sayTime } from './time.ts';

export const setting: TimeDefinition = {
  name: 'start',
  type: 'time',
  explain: 'Where playing begins.',
  example: '1:52',
  parse: parseTime,
  say: sayTime,
  because: (seconds) => `Start at ${sayTime(seconds)}`,
};
