import { textType } from '../options/types/text.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'prefill',
  type: textType({ length: 200 }),
  kinds: ['form'],
  example: 'reader@hollinfell.localhost',
  source: 'observed',
  words: 'prefill email mail address',
});
