import { choiceType } from '../options/types/choice.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'theme',
  type: choiceType(['light', 'dark']),
  kinds: 'any',
  example: 'dark',
  source: 'observed',
  words: 'theme mode scheme appearance style skin look tone palette background',
});
