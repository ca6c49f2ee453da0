import { timeType } from '../options/types/time.ts';
import { beyondEnd, clipOrder } from './clip.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'start',
  type: timeType,
  kinds: ['video', 'audio'],
  example: '1:52',
  source: 'Media Fragments URI 1.0, section 4.2.1',
  against: (code, start, { options }) => [
    ...beyondEnd(code, 'start', start),
    ...(options['end'] === undefined ? clipOrder(code, start, null) : []),
  ],
  words: 'start starts begin begins from offset seek t time starttime startat',
});
