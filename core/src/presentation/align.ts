import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { choiceType } from '../options/types/choice.ts';
import { declare, type Declared } from './declarations.ts';
import { hasFrame, targetOf } from './target.ts';

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
  isOffered: (_, reading) => hasFrame(reading),
  current: (code) => {
    const target = targetOf(code);
    const margin = target && code.inside.declarations(target.element).get('margin');
    return Object.keys(margins).find((where) => margins[where] === margin) ?? null;
  },
  contribute: (code, where) => {
    const target = targetOf(code);
    if (!target) return problem('nothing-to-present');
    // A box is a block already, or lays out its own children in a way that must stay.
    const block: Declared[] = target.box === null ? [['display', 'block', reason('movable-block')]] : [];
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
