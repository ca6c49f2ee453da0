import { switchType } from '../options/types/switch.ts';
import { playsByItself } from './playing.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'muted',
  type: switchType,
  kinds: ['video', 'audio'],
  example: 'on',
  source: 'HTML, section 4.8.11 (muted)',
  against: (code, muted, { options }) =>
    !muted && playsByItself(code, options) ? [{ code: 'sound-autoplay', facts: {} }] : [],
  words: 'mute muted silent silence quiet hush sound audio volume',
});
