import type { Code } from '../../code.ts';
import type { Options } from '../../options/values.ts';
import { reason } from '../../reason.ts';
import type { Declared } from '../declarations.ts';

/** What a crop declares of the window, and of what is seen through it. */
export interface Cropped {
  window: Declared[];
  content: Declared[];
}

/** What shows a part of a frame only; null where none is asked for. Sizes are px of the frame’s page. */
export function cropped(code: Code, options: Options): Cropped | null {
  const [wide, high] = [options['crop-width'], options['crop-height']];
  if (typeof wide !== 'number' || typeof high !== 'number') return null;
  const [left, top] = [numberOf(options, 'crop-left', 0), numberOf(options, 'crop-top', 0)];
  const scale = scaleOf(options);
  const stated = (name: 'width' | 'height'): number => {
    const length = code.reading.size[name];
    return length?.unit === 'px' ? length.value : 0;
  };
  const width = Math.max(stated('width'), left + wide);
  const height = Math.max(stated('height'), top + high);
  const why = reason('shows-part', { left, top, width: wide, height: high });
  return {
    window: [
      ['height', `${rounded(high * scale)}px`, reason('as-high-as-said', { height: rounded(high * scale) })],
      ['overflow', 'hidden', reason('clipped-to-part')],
    ],
    content: [
      ['position', 'absolute', reason('laid-over-box')],
      ['top', `${rounded(-top * scale)}px`, why],
      ['left', `${rounded(-left * scale)}px`, why],
      ['width', `${width}px`, why],
      ['height', `${height}px`, why],
      ['border', '0', reason('no-frame-line')],
      ...(scale === 1
        ? []
        : ([
            ['transform-origin', '0 0', reason('scaled', { scale: scale * 100 })],
            ['transform', `scale(${scale})`, reason('scaled', { scale: scale * 100 })],
          ] as const)),
    ],
  };
}

/** How wide the window of a crop is, in px; null where none is asked for. */
export const windowWidth = (options: Options): number | null =>
  options['crop-width'] === undefined ? null : rounded(numberOf(options, 'crop-width', 0) * scaleOf(options));

const scaleOf = (options: Options): number => numberOf(options, 'crop-scale', 100) / 100;

const numberOf = (options: Options, name: string, usual: number): number =>
  typeof options[name] === 'number' ? options[name] : usual;

const rounded = (px: number): number => Math.round(px * 100) / 100;
