import { numberType } from '../options/types/number.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'zoom',
  type: numberType({ least: 0, most: 1000 }),
  kinds: ['map', 'document'],
  example: '14',
  source: 'observed',
  words: 'zoom z scale magnification',
});
