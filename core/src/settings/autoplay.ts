import { switchType } from '../options/types/switch.ts';
import { reason } from '../reason.ts';
import { ruleOf } from '../sheets/sheet.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'autoplay',
  type: switchType,
  kinds: ['video', 'audio'],
  example: 'on',
  source: 'HTML, section 4.8.11 (autoplay); observed: browsers refuse to play by themselves what has sound',
  // Browsers let a video play by itself only without sound.
  implies: ({ sheet }) =>
    ruleOf(sheet, 'muted') ? [{ option: 'muted', value: true, reason: reason('plays-without-sound') }] : [],
  words: 'autoplay autostart auto play',
});
