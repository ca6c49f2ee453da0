import { numberType } from '../options/types/number.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'page',
  type: numberType({ least: 1, most: 100_000, whole: true }),
  kinds: ['document'],
  example: '3',
  source: 'RFC 8118, section 3 (page)',
  words: 'page pagenumber pg',
});
