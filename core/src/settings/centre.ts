import { coordinatesType } from '../options/types/coordinates.ts';
import { setting } from './setting.ts';

export const option = setting({
  name: 'centre',
  type: coordinatesType,
  kinds: ['map'],
  example: '54.3712, -2.1048',
  source: 'RFC 5870, section 3.4.2',
  words: 'center centre ll latlng coordinates coords position',
});
