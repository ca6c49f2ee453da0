import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { choiceType } from '../options/types/choice.ts';
import { declare, type Declared } from './declarations.ts';
import type { Options } from '../options/values.ts';
import { declaredBy, hasPlace, noTarget, targetOf } from './target.ts';

const margins: Readonly<Record<string, string>> = {
  left: '0 auto 0 0',
  centre: '0 auto',
  right: '0 0 0 auto',
};

export const option: Option<string> = {
  name: 'align',
  stage: 'presentation',
  type: choiceType(Object.keys(margins), { center: 'centre', middle: 'centre' }),
  kinds: 'any',
  example: 'centre',
  source:
    'CSS 2.2, section 10.3.4 (block-level replaced elements); observed: without display:block margin:auto does not centre',
  isOffered: (_, reading) => hasPlace(reading),
  current: (code) => {
    const margin = declaredBy(code)?.get('margin');
    return Object.keys(margins).find((where) => margins[where] === margin) ?? null;
  },
  contribute: (code, where, { options }) => {
    const target = targetOf(code);
    if (!target) return noTarget(code);
    if (target.isAround && !hasWidth(options)) return problem('fills-its-place');
    // A box is a block already, or lays out its own children in a way that must stay.
    const block: Declared[] =
      target.box === null && !target.isAround ? [['display', 'block', reason('movable-block')]] : [];
    return contribution(
      declare(
        target,
        [...block, ['margin', margins[where]!, reason('stands-at', { where })]],
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
  Object.keys(options).some((name) => /^(?:share|max-width)(?:\.|$)/.test(name));
