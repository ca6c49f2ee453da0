import { contribution, problem, type Option } from '../../options/option.ts';
import { reason } from '../../reason.ts';
import { choiceType } from '../../options/types/choice.ts';
import { declare, type Declared } from '../declarations.ts';
import type { Options } from '../../options/values.ts';
import { sideMargins, sides } from '../space/margins.ts';
import { outermostOf, placeOf } from '../standing.ts';
import { declaredBy, hasPlace, noTarget } from '../target.ts';

export const option: Option<string> = {
  name: 'align',
  stage: 'presentation',
  type: choiceType(Object.keys(sides), { center: 'centre', middle: 'centre' }),
  kinds: 'any',
  perDevice: true,
  example: 'centre',
  source:
    'CSS 2.2, section 10.3.4 (block-level replaced elements); observed: without display:block margin:auto does not centre',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => {
    const margin = declaredBy(code)?.get('margin');
    return Object.keys(sides).find((where) => `0 ${sides[where]}`.trim() === margin) ?? null;
  },
  contribute: (code, where, { options }) => {
    const target = placeOf(code, options);
    if (!target) return noTarget(code);
    if (target.fills && !hasWidth(options)) return problem('fills-its-place');
    // A box is a block already, or lays out its own children in a way that must stay.
    const block: Declared[] = target.isBlock ? [] : [['display', 'block', reason('movable-block')]];
    const isSpaced = outermostOf(code, options)!.element === target.element;
    return contribution(
      declare(
        target,
        [...block, ...sideMargins(where, isSpaced ? options : {})],
        [
          'float',
          'margin-top',
          'margin-right',
          'margin-bottom',
          'margin-left',
          'margin-inline',
          'margin-block',
        ],
      ),
    );
  },
};

/* Whether anything asks it to be narrower than its place, on any device. */
const hasWidth = (options: Options): boolean =>
  options['fit'] === 'fixed' ||
  Object.keys(options).some((name) => /^(?:share|max-width)(?:\.|$)/.test(name));
