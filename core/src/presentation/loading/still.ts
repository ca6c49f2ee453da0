import { contribution, problem, type Option } from '../../options/option.ts';
import { ourBox } from '../../options/change.ts';
import { stillType } from '../../options/types/address.ts';
import { reason } from '../../reason.ts';
import type { OptionValue } from '../../options/values.ts';
import { declare, type Declared } from '../declarations.ts';
import { onPaper } from '../on-paper.ts';
import { bodyOf, standing } from '../standing.ts';
import { frameOf, hasPlace, noTarget } from '../target.ts';
import { stillsBeside } from './stills-beside.ts';
import { waits } from './waits.ts';

export const option: Option<string> = {
  name: 'still',
  stage: 'presentation',
  type: stillType,
  kinds: 'any',
  group: 'loading',
  example: 'https://hollinfell.example/stills/moor.jpg',
  source:
    'HTML, section 4.8.8 (poster); CSS Backgrounds and Borders 3, section 2 (background); CSS Color Adjustment 1, section 6 (print-color-adjust)',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => {
    const poster = frameOf(code)?.attributes.value('poster') ?? null;
    return poster !== null && stillType.parse(poster).ok ? poster : null;
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
      ...declare({ element: ourBox }, behindIt(address, options['still-also']), []),
      ...onPaper({ element: ourBox }, [['print-color-adjust', 'exact', reason('still-printed')]]),
      ...onPaper({ element: frame }, [['visibility', 'hidden', reason('still-instead')]]),
      ...standing(code, options),
    ]);
  },
};

/* Browsers that know no sets keep to the picture alone. */
function behindIt(address: string, also: OptionValue | undefined): Declared[] {
  const beside = stillsBeside(address, also);
  const alone: Declared = ['background', `url(${quoted(address)}) 50%/cover`, reason('still-behind')];
  if (beside.length === 0) return [alone];
  const others = beside.map((other) => `url(${quoted(other.address)}) type('${other.type}')`).join(',');
  return [
    alone,
    ['background-image', `image-set(${others},url(${quoted(address)}))`, reason('still-behind-smaller')],
  ];
}

/* As a string of CSS (CSS Syntax 3, section 4.3.5), in which nothing ends it. */
const quoted = (address: string): string =>
  `'${address.replaceAll(/['"\\\s]/g, (sign) => `%${sign.charCodeAt(0).toString(16).padStart(2, '0').toUpperCase()}`)}'`;
