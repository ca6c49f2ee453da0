import { contribution, problem, type Contribution, type Option } from '../../options/option.ts';
import { ourBox } from '../../options/change.ts';
import type { Options } from '../../options/values.ts';
import { reason } from '../../reason.ts';
import { choiceType } from '../../options/types/choice.ts';
import { ratioType } from '../../options/types/ratio.ts';
import type { Code } from '../../code.ts';
import type { MarkupElement } from '../../text/index.ts';
import { boxShape, declare, paddedSide } from '../declarations.ts';
import { bodyOf, standing } from '../standing.ts';
import { frameOf, hasFrame, targetOf, type PresentationTarget } from '../target.ts';
import { heightName } from '../../visitors/index.ts';
import { ofBox, sizeDeclared } from './size.ts';
import { followTold } from './told-height.ts';

export const option: Option<string> = {
  name: 'fit',
  stage: 'presentation',
  type: choiceType(['shape', 'content', 'fixed', 'fill']),
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
    if (frame?.attributes.has(heightName)) return 'content';
    return declared?.get('height') === 'auto' &&
      declared.has('aspect-ratio') &&
      declared.get('width') !== undefined
      ? 'shape'
      : null;
  },
  contribute: (code, fit, { options, page }) => {
    if (!frameOf(code)) return problem('nothing-to-present');
    const told = fit === 'content' ? followTold(code, page) : [];
    // Measured heights say how high it is; that it has no other is no hindrance then.
    if (fit === 'content' && options['heights'] !== undefined)
      return contribution([...told, ...standing(code, options)]);
    const size = sizeDeclared(code, fit, options);
    if ('code' in size) return { changes: [], problems: [size] };
    if (bodyOf(code, options)?.element === ourBox) return contribution([...told, ...standing(code, options)]);
    const { changes, problems } = ofCode(code, targetOf(code)!, fit, options);
    return { changes: [...told, ...changes], problems };
  },
};

/* The frame itself, or the provider’s box that it is laid over. */
function ofCode(code: Code, target: PresentationTarget, fit: string, options: Options): Contribution {
  const frame = frameOf(code)!;
  const size = sizeDeclared(code, fit, options);
  if ('code' in size) return { changes: [], problems: [size] };
  const element = target.element as MarkupElement;
  const narrow = target.box === null ? narrowed(code, frame.parent) : null;
  if (narrow) return problem('own-wrapper', { element: narrow.name });
  const isSaid = options['share'] !== undefined;
  const sized = size.filter(([property]) => !(property === 'width' && isSaid));
  if (target.box !== null) {
    const ratio = size.find(([property]) => property === 'aspect-ratio');
    const shape = String(ratio?.[2].facts['shape'] ?? '');
    const padded = paddedSide(target.box);
    const held = ratio
      ? [
          ...sized.filter(([property]) => property === 'width'),
          ...boxShape(padded, shape, ratio[1]),
          ['align-self', 'flex-start', reason('not-stretched')] as const,
        ]
      : [
          ...ofBox(code, fit, sized),
          ...(padded ? ([[padded, '0', reason('box-without-padding')]] as const) : []),
        ];
    return contribution([
      ...declare({ element }, held, ['min-width', 'min-height', 'max-height', 'float']),
      ...declare(
        { element: frame },
        [
          // Themes say of every frame how high it is, and insist.
          ['height', '100%!important', reason('laid-over-box')],
          ['border', '0', reason('no-frame-line')],
        ],
        [],
      ),
    ]);
  }
  const line = options['border'] === undefined;
  return contribution(
    declare(
      { element },
      [
        ['display', 'block', reason('no-gap-below')],
        ...sized,
        ...(line ? ([['border', '0', reason('no-frame-line')]] as const) : []),
        ...(fit === 'fill' ? [] : ([['align-self', 'flex-start', reason('not-stretched')]] as const)),
      ],
      ['min-width', 'min-height', 'max-height', 'float', 'border-width', 'border-style'],
    ),
  );
}

/* What of the code around a frame has a size of its own, which the frame cannot go beyond. */
function narrowed(code: Code, around: MarkupElement | null): MarkupElement | null {
  for (let outer = around; outer; outer = outer.parent) {
    const declared = code.inside.declarations(outer);
    if (['width', 'max-width', 'height', 'max-height', 'float'].some((property) => declared.has(property)))
      return outer;
    if (isSized(outer)) return outer;
  }
  return null;
}

/* A cell of a table has a width by attribute; in a box that lays out its children itself anything goes. */
const isSized = (element: MarkupElement): boolean =>
  ['table', 'td', 'th', 'picture', 'object', 'span'].includes(element.name);
