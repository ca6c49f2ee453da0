import { contribution, problem, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { choiceType } from '../options/types/choice.ts';
import { ratioType } from '../options/types/ratio.ts';
import { declare } from './declarations.ts';
import { shapeOf } from './shape-of.ts';
import { frameOf, hasFrame } from './target.ts';

export const option: Option<string> = {
  name: 'fit',
  stage: 'presentation',
  type: choiceType(['shape']),
  kinds: 'any',
  example: 'shape',
  source:
    'observed: these hold the shape in block, flex, grid and fixed-table parents; without height:auto a height attribute wins over aspect-ratio',
  shorthand: (text) => {
    const shape = ratioType.parse(text);
    return shape.ok ? { fit: 'shape', shape: shape.value } : null;
  },
  isOffered: (_, reading) => hasFrame(reading),
  current: (code) => {
    const frame = frameOf(code);
    const declared = frame && code.inside.declarations(frame);
    return declared?.get('height') === 'auto' &&
      declared.has('aspect-ratio') &&
      declared.get('width') !== undefined
      ? 'shape'
      : null;
  },
  contribute: (code, _, { options }) => {
    const element = frameOf(code);
    if (!element) return problem('nothing-to-present');
    if (element.parent) return problem('own-wrapper', { element: element.parent.name });
    const shape = shapeOf(code, options);
    if (!shape) return problem('shape-unknown');
    return contribution(
      declare(
        { element },
        [
          ['display', 'block', reason('no-gap-below')],
          ...(options['share'] === undefined
            ? ([['width', '100%', reason('fills-its-place')]] as const)
            : []),
          ['height', 'auto', reason('height-follows')],
          [
            'aspect-ratio',
            `${shape.width}/${shape.height}`,
            reason('holds-shape', { shape: `${shape.width}:${shape.height}` }),
          ],
          ...(options['border'] === undefined ? ([['border', '0', reason('no-frame-line')]] as const) : []),
          ['align-self', 'flex-start', reason('not-stretched')],
        ],
        ['min-width', 'min-height', 'max-height', 'float', 'border-width', 'border-style'],
      ),
    );
  },
};
