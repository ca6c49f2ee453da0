import { switchType } from '../options/types/switch.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'download',
  type: switchType,
  kinds: ['video', 'audio', 'document'],
  example: 'off',
  source: 'observed',
  words: 'download downloads downloadable save',
});
