import { switchType } from '../options/types/switch.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'loop',
  type: switchType,
  kinds: ['video', 'audio'],
  example: 'on',
  source: 'HTML, section 4.8.11 (loop)',
  words: 'loop loops repeat repeats again replay',
});
