import type { Code } from '../code.ts';
import type { Options } from '../options/values.ts';
import { optionsFor } from './table.ts';

/**
 * What a code itself says of every option, with nothing asked: as if it had been asked for so.
 * @example current(openCode('<iframe src="…/map?zoom=12"></iframe>', { sheets })) // { zoom: 12 }
 */
export const current = (code: Code): Options =>
  Object.fromEntries(
    optionsFor(code.sheet).flatMap((option) => {
      const value = option.current(code);
      return value === null ? [] : [[option.name, value]];
    }),
  );
