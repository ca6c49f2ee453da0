import type { Code } from '../../code.ts';
import { providerOf } from '../beside/content.ts';

/**
 * The words by which a page can allow a code: its provider, and what it is.
 * @example ['mapmere', 'map']
 */
export const namesOf = (code: Code): string[] => [
  code.reading.provider?.id ?? (/^[\w.-]+$/.test(providerOf(code)) ? providerOf(code) : 'unknown'),
  code.reading.kind,
];
