import { textType } from '../options/types/text.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'account',
  type: textType({ length: 120 }),
  kinds: ['feed', 'booking', 'counter', 'popup', 'reviews', 'shop', 'form'],
  example: 'hollinfell',
  source: 'observed',
  words:
    'account user username of by owner channel profile site shop store place campaign calendar letter list',
});
