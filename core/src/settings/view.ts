import { choiceType } from '../options/types/choice.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'view',
  type: choiceType(),
  kinds: ['map', 'document'],
  example: 'satellite',
  source: 'observed',
  words: 'view layer maptype display fit',
});
