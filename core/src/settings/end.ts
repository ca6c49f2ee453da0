import { timeType } from '../options/types/time.ts';
import { beyondEnd, clipOrder } from './clip.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'end',
  type: timeType,
  kinds: ['video', 'audio'],
  example: '3:04',
  source: 'Media Fragments URI 1.0, section 4.2.1',
  against: (code, end, { options }) => [
    ...beyondEnd(code, 'end', end),
    ...clipOrder(code, (options['start'] as number | undefined) ?? null, end),
  ],
  words: 'end ends until stop finish out endtime endat to',
});
