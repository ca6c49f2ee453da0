import type { Code } from '../code.ts';
import { framedWay } from '../frame/index.ts';
import type { Options } from '../options/values.ts';
import { composeBare } from './bare.ts';
import type { Circumstances, Composition } from './composition.ts';
import { composeFramed } from './framed.ts';

/**
 * Turns what is asked of a code into the smallest exact edits and the snippets to paste: a pure function of
 * the code, the options and the circumstances. Nothing asked is nothing changed; what is there already is not
 * changed again.
 * @example compose(openCode(text, { sheets }), { 'start': 112, 'max-width': 720 }).text
 */
export function compose(code: Code, options: Options, circumstances: Circumstances = {}): Composition {
  const way = framedWay(options);
  return way === null
    ? composeBare(code, options, circumstances)
    : composeFramed(code, way, options, circumstances);
}
