import type { Code } from '../../code.ts';
import type { Options } from '../../options/values.ts';
import { reason, type Facts } from '../../reason.ts';
import type { Declared } from '../declarations.ts';
import { heightAt } from './sums.ts';
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

/* The sides in px, as the owner says them, else the code. */
function sidesOf(code: Code, options: Options): { width: number | null; height: number | null } {
  const side = (name: 'width' | 'height'): number | null => {
    const asked = options[name];
    const stated = code.reading.size[name];
    return typeof asked === 'number' ? asked : stated?.unit === 'px' ? stated.value : null;
  };
  return { width: side('width'), height: side('height') };
}
