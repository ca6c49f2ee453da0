import { colourType } from '../../options/types/colour.ts';
import { reason } from '../../reason.ts';
import { adding } from '../adding.ts';
import { behind } from '../beside/markup.ts';
import { laidStyle } from '../declarations.ts';

/* How strong a tint is where nothing is said, in per cent. */
const usualStrength = 40;

export const option = adding<string>({
  name: 'tint',
  type: colourType,
  group: 'over',
  example: '#1d2b24',
  source: 'CSS Color 4, section 4.2 (opacity); CSS Basic User Interface 4, section 6.3 (pointer-events)',
  bring: (code, colour, { options }) => {
    const strength = (options['tint-strength'] as number | undefined) ?? usualStrength;
    return [
      behind(
        code,
        'shape',
        `<div style="${laidStyle};background:${colour};opacity:${strength / 100};pointer-events:none"></div>`,
        reason('tinted', { colour, strength }),
      ),
    ];
  },
});
