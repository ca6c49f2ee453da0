import { numberType } from '../options/types/number.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'count',
  type: numberType({ least: 1, most: 500, whole: true }),
  kinds: ['feed', 'reviews', 'shop'],
  example: '6',
  source: 'observed',
  words: 'count limit number num items rows max most amount perpage show',
});
