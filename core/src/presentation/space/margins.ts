import type { Options } from '../../options/values.ts';
import { reason } from '../../reason.ts';
import type { Declared } from '../declarations.ts';

/** The margins on the right and left (and below, between them) that put a block to a side. */
export const sides: Readonly<Record<string, string>> = {
  left: 'auto 0 0',
  centre: 'auto',
  right: '0 0 auto',
};

const spaces = ['space-above', 'space-below'] as const;

/* A shorthand would undo the space that another option asks for. */
const isSpaced = (options: Options): boolean => spaces.some((name) => options[name] !== undefined);

/** The margins of what stands at a side, together with the space that is asked for on the same element. */
export function sideMargins(where: string, options: Options): Declared[] {
  const why = reason('stands-at', { where });
  if (!isSpaced(options)) return [['margin', `0 ${sides[where]}`, why]];
  return [
    ['margin-left', where === 'left' ? '0' : 'auto', why],
    ['margin-right', where === 'right' ? '0' : 'auto', why],
  ];
}

/**
 * The margins that take away those of a browser’s own (HTML, section 15.3.3, for `figure`), beside what
 * `align` and space ask for on the same element.
 */
export function noMargins(options: Options): Declared[] {
  const why = reason('no-margin-of-browsers');
  const isAligned = options['align'] !== undefined;
  if (!isSpaced(options)) return isAligned ? [] : [['margin', '0', why]];
  const missing = [
    ...(options['space-above'] === undefined ? ['margin-top'] : []),
    ...(options['space-below'] === undefined ? ['margin-bottom'] : []),
    ...(isAligned ? [] : ['margin-left', 'margin-right']),
  ];
  return missing.map((property): Declared => [property, '0', why]);
}
