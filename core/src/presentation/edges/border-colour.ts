import { contribution, type Option } from '../../options/option.ts';
import { colourType } from '../../options/types/colour.ts';
import { reason } from '../../reason.ts';
import { lineOf } from './border.ts';
import { declaredBy, hasPlace, noTarget } from '../target.ts';
import { bodyOf } from '../standing.ts';

export const option: Option<string> = {
  name: 'border-colour',
  stage: 'presentation',
  type: colourType,
  kinds: 'any',
  group: 'edges',
  example: '#aa3355',
  source: 'CSS Backgrounds and Borders 3, section 3.1 (border-color)',
  isOffered: (_, reading) => hasPlace(reading),
  implies: () => [{ option: 'border', value: 1, reason: reason('colour-needs-line') }],
  current: (code) => {
    const colour = lineOf(declaredBy(code))?.colour;
    return colour === undefined || colour === 'currentcolor' ? null : colour;
  },
  // It is the line that it is written with.
  contribute: (code, _, { options }) => (bodyOf(code, options) ? contribution([]) : noTarget(code)),
};
