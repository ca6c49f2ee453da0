import type { Code } from '../../code.ts';
import type { Options } from '../../options/values.ts';
import { reason } from '../../reason.ts';
import type { Declared } from '../declarations.ts';
import { shapeOf } from '../size/shape-of.ts';

/** What a band declares of its box, and of what fills it. */
export interface Banded {
  box: Declared[];
  content: Declared[];
}

/**
 * What makes something cover a band of this height, in px, whatever its width, without being squeezed: it is
 * as wide as the band, or as wide as its shape is at that height, whichever is more.
 */
export function banded(code: Code, height: number, options: Options): Banded {
  const shape = shapeOf(code, options) ?? { width: 16, height: 9 };
  const least = Math.ceil((height * shape.width) / shape.height);
  const [x, y] = [focus(options, 'band-focus-x'), focus(options, 'band-focus-y')];
  const why = reason('covers-band', { height });
  return {
    box: [
      ...(options['share'] === undefined ? ([['width', '100%', reason('fills-its-place')]] as const) : []),
      ['height', `${height}px`, reason('as-high-as-said', { height })],
      ['overflow', 'hidden', reason('clipped-to-part')],
    ],
    content: [
      ['position', 'absolute', reason('laid-over-box')],
      ['top', `${y}%`, reason('focus-in-band', { x, y })],
      ['left', `${x}%`, reason('focus-in-band', { x, y })],
      ['width', `max(100%,${least}px)`, why],
      ['max-width', 'none', why],
      ['height', 'auto', why],
      ['aspect-ratio', `${shape.width}/${shape.height}`, why],
      ['transform', `translate(-${x}%,-${y}%)`, reason('focus-in-band', { x, y })],
      ['border', '0', reason('no-frame-line')],
    ],
  };
}

const focus = (options: Options, name: string): number =>
  typeof options[name] === 'number' ? options[name] : 50;
