import { timeType } from '../options/types/time.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'delay',
  type: timeType,
  kinds: ['popup'],
  example: '0:20',
  source: 'observed',
  words: 'delay after wait pause',
});
