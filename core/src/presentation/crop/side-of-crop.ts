import { contribution, problem, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { shownAlone } from '../alone.ts';
import { bodyOf, standing } from '../standing.ts';
import { frameOf, hasFrame, noTarget } from '../target.ts';

type Side = 'crop-width' | 'crop-height';

/** One side of the part that is shown of a frame; it needs the other one. */
export const sideOfCrop = (name: Side, other: Side, example: string): Option<number> => ({
  name,
  stage: 'presentation',
  type: numberType({ least: 20, most: 4000, whole: true, unit: 'px' }),
  kinds: 'any',
  group: 'crop',
  example,
  source: 'CSS Overflow 3, section 3.1 (overflow); CSS Transforms 1, section 4',
  isOffered: (_, reading) => hasFrame(reading),
  current: () => null,
  contribute: (code, _, { options }) => {
    if (!bodyOf(code, options)) return noTarget(code);
    if (frameOf(code)?.name !== 'iframe' || !shownAlone(code)) return problem('crop-needs-frame');
    if (options[other] === undefined) return problem('crop-needs-sides', { missing: other });
    if (options['fit'] !== undefined) return problem('crop-has-size');
    return contribution(standing(code, options));
  },
});
