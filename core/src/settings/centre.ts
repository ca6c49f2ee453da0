import type { Definition } from './setting.ts';
import { parseCoordinates, sayCoordinates } from './values.ts';

export const setting: Definition<'centre', 'coordinates'> = {
  name: 'centre',
  type: 'coordinates',
  label: 'Centre',
  kinds: ['map'],
  explain: 'The place in the middle: latitude and longitude in degrees.',
  example: '54.3712, -2.1048',
  parse: parseCoordinates,
  say: sayCoordinates,
  because: (value) => `Put ${sayCoordinates(value)} in the middle`,
};
