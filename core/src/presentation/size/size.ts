import type { Code } from '../../code.ts';
import type { Options } from '../../options/values.ts';
import { reason, type Facts } from '../../reason.ts';
import type { Declared } from '../declarations.ts';
import { heightAt } from './sums.ts';
import { toldHeight } from './told-height.ts';
import { shapeOf } from './shape-of.ts';

/** What a fit declares of the size, or why it cannot. */
export function sizeDeclared(
  code: Code,
  fit: string,
  options: Options,
): Declared[] | { code: 'shape-unknown' | 'height-unknown' | 'size-unknown'; facts: Facts } {
  const { width, height } = sidesOf(code, options);
  const wide: Declared = ['width', '100%', reason('fills-its-place')];
  switch (fit) {
    case 'fill':
      return [wide, ['height', '100%', reason('fills-its-height')]];
    case 'content':
      if (toldHeight(code) !== null) return [wide, untilTold(code, height)];
      if (height === null) return { code: 'height-unknown', facts: {} };
      return [wide, ['height', `${height}px`, reason('as-high-as-said', { height })]];
    case 'fixed': {
      if (width === null || height === null) return { code: 'size-unknown', facts: {} };
      return [
        ['width', `min(${width}px,100%)`, reason('as-wide-as-said', { width })],
        ['height', `${height}px`, reason('as-high-as-said', { height })],
      ];
    }
    default: {
      const shape = shapeOf(code, options);
      if (!shape) return { code: 'shape-unknown', facts: {} };
      const name = `${shape.width}:${shape.height}`;
      const most = options['max-width'];
      const facts = typeof most === 'number' ? { shape: name, ...heightAt(most, shape) } : { shape: name };
      return [
        wide,
        ['height', 'auto', reason('height-follows')],
        ['aspect-ratio', `${shape.width}/${shape.height}`, reason('holds-shape', facts)],
      ];
    }
  }
}

/* Browsers make frames so high that say nothing (CSS 2.2, section 10.6.2). */
const lastHeight = 150;

/* How high a frame is until it says so, and where nobody listens. */
function untilTold({ sheet }: Code, said: number | null): Declared {
  const usual = sheet && 'address' in sheet.code ? sheet.code.height : undefined;
  const height = said ?? usual ?? sheet?.height ?? lastHeight;
  return ['height', `${height}px`, reason('high-until-told', { height })];
}

/**
 * The same for a box that a frame is laid over: where the frame says how high it is, the box grows and
 * shrinks with it.
 */
export const ofBox = (code: Code, fit: string, declared: readonly Declared[]): Declared[] =>
  fit !== 'content' || toldHeight(code) === null
    ? [...declared]
    : declared.map(([property, ...rest]) => [property === 'height' ? 'min-height' : property, ...rest]);

/* The sides in px, as the owner says them, else the code. */
function sidesOf(code: Code, options: Options): { width: number | null; height: number | null } {
  const side = (name: 'width' | 'height'): number | null => {
    const asked = options[name];
    const stated = code.reading.size[name];
    return typeof asked === 'number' ? asked : stated?.unit === 'px' ? stated.value : null;
  };
  return { width: side('width'), height: side('height') };
}
