import type { Code } from '../../code.ts';
import { ourBox, type Change } from '../../options/change.ts';
import { contribution, problem, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { reason } from '../../reason.ts';
import { ruleOf } from '../../sheets/sheet.ts';
import { shownAlone } from '../alone.ts';
import { declare } from '../declarations.ts';
import { bodyOf, standing } from '../standing.ts';
import { frameOf, hasFrame, noTarget } from '../target.ts';
import { banded } from './banded.ts';

/* What makes a moving background of a film: each as far as its provider offers it. */
const background = { autoplay: true, muted: true, loop: true, controls: false } as const;

export const option: Option<number> = {
  name: 'band',
  stage: 'presentation',
  type: numberType({ least: 60, most: 2000, whole: true, unit: 'px' }),
  kinds: 'any',
  perDevice: true,
  group: 'over',
  example: '420',
  source:
    'CSS Values and Units 4, section 10.3 (max); WAI-ARIA 1.2, section 6.6 (aria-hidden); Media Queries 5, section 12.1',
  isOffered: (_, reading) => hasFrame(reading),
  implies: (code) =>
    code.reading.kind === 'video'
      ? Object.entries(background)
          .filter(([name]) => ruleOf(code.sheet, name) !== undefined || frameOf(code)?.name === 'video')
          .map(([name, value]) => ({ option: name, value, reason: reason('moving-background') }))
      : [],
  current: () => null,
  contribute: (code, height, { options }) => {
    if (!bodyOf(code, options)) return noTarget(code);
    const alone = shownAlone(code);
    if (!alone) return problem('band-needs-frame');
    if (options['fit'] !== undefined || options['crop-width'] !== undefined) return problem('band-has-size');
    if (options['band'] === undefined) return problem('band-everywhere');
    const { box, content } = banded(code, height, options);
    return contribution([
      ...declare({ element: ourBox }, box, []),
      ...declare({ element: alone }, content, []),
      ...outOfTheWay(code),
      ...standing(code, options),
    ]);
  },
};

/* It is there for the eye only, and for those who do not mind that it moves. */
function outOfTheWay(code: Code): Change[] {
  const element = frameOf(code)!;
  return [
    { kind: 'attribute', element, name: 'aria-hidden', value: 'true', reason: reason('for-the-eye-only') },
    { kind: 'attribute', element, name: 'tabindex', value: '-1', reason: reason('for-the-eye-only') },
    ...declare({ element }, [['visibility', 'hidden', reason('still-for-less-motion')]], []).map(
      (change) => ({
        ...change,
        when: 'reduced-motion' as const,
      }),
    ),
  ];
}
