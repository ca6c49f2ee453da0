import { contribution, type Option } from '../../options/option.ts';
import { numberType } from '../../options/types/number.ts';
import { reason } from '../../reason.ts';
import { declare, type Declared } from '../declarations.ts';
import { outermostOf } from '../standing.ts';
import { declaredNumber, hasPlace, noTarget } from '../target.ts';

/** An option for the space above or below. */
export const spaceOption = (
  name: 'space-above' | 'space-below',
  property: 'margin-top' | 'margin-bottom',
  example: string,
): Option<number> => ({
  name,
  stage: 'presentation',
  type: numberType({ least: 0, most: 400, whole: true, unit: 'px' }),
  kinds: 'any',
  perDevice: true,
  group: 'space',
  example,
  source:
    'CSS Box 3, section 3 (margin); observed: an inline frame does not move its neighbours away as a block does',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => declaredNumber(code, property, 'px'),
  contribute: (code, space, { options }) => {
    const target = outermostOf(code, options);
    if (!target) return noTarget(code);
    const block: Declared[] = target.isBlock ? [] : [['display', 'block', reason('movable-block')]];
    const where = name === 'space-above' ? 'above' : 'below';
    return contribution(
      declare(
        target,
        [...block, [property, `${space}px`, reason('space-at', { space, where })]],
        ['margin-block'],
      ),
    );
  },
});
