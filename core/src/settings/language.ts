import { textType } from '../options/types/text.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'language',
  type: textType({ length: 35, isLanguage: true }),
  kinds: 'any',
  example: 'en',
  source: 'BCP 47',
  words: 'language lang locale hl tongue speech speak idiom',
});
