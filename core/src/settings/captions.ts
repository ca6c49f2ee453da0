import { switchType } from '../options/types/switch.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'captions',
  type: switchType,
  kinds: ['video'],
  example: 'on',
  source: 'observed',
  words: 'captions caption subtitles subtitle subs cc',
});
