import { switchType } from '../options/types/switch.ts';
import { ruleOf } from '../sheets/sheet.ts';
import { playsByItself } from './playing.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'controls',
  type: switchType,
  kinds: ['video', 'audio'],
  example: 'off',
  source: 'HTML, section 4.8.11 (controls)',
  against: (code, controls, { options }) =>
    !controls && ruleOf(code.sheet, 'autoplay') && !playsByItself(code, options)
      ? [{ code: 'no-way-to-play', facts: {} }]
      : [],
  words: 'controls control controlbar buttons ui toolbar bar',
});
