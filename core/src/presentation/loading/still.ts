import { contribution, problem, type Option } from '../../options/option.ts';
import { ourBox } from '../../options/change.ts';
import { pictureType } from '../../options/types/address.ts';
import { reason } from '../../reason.ts';
import { declare } from '../declarations.ts';
import { bodyOf, standing } from '../standing.ts';
import { frameOf, hasPlace, noTarget } from '../target.ts';
import { waits } from './waits.ts';

export const option: Option<string> = {
  name: 'still',
  stage: 'presentation',
  type: pictureType,
  kinds: 'any',
  group: 'loading',
  example: 'https://hollinfell.example/stills/moor.jpg',
  source: 'HTML, section 4.8.8 (poster); CSS Backgrounds and Borders 3, section 2 (background)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => {
    const poster = frameOf(code)?.attributes.value('poster') ?? null;
    return poster !== null && pictureType.parse(poster).ok ? poster : null;
  },
  contribute: (code, address, { options }) => {
    if (!bodyOf(code, options)) return noTarget(code);
    // Beside the button, it is a part of what stands in.
    if (waits(code, options)) return contribution(standing(code, options));
    const frame = frameOf(code);
    if (frame?.name === 'video')
      return contribution([
        { kind: 'attribute', element: frame, name: 'poster', value: address, reason: reason('poster') },
      ]);
    if (frame?.name !== 'iframe') return problem('still-needs-wait');
    return contribution([
      ...declare(
        { element: ourBox },
        [['background', `url(${quoted(address)}) 50%/cover`, reason('still-behind')]],
        [],
      ),
      ...standing(code, options),
    ]);
  },
};

/* As a string of CSS (CSS Syntax 3, section 4.3.5), in which nothing ends it. */
const quoted = (address: string): string =>
  `'${address.replaceAll(/['"\\\s]/g, (sign) => `%${sign.charCodeAt(0).toString(16).padStart(2, '0').toUpperCase()}`)}'`;
