import type { Options, OptionLevel } from '@orbis/core';
import { spoken } from '@orbis/contract/language';
import { formatOptions } from '@orbis/contract/options';
import type { Inherited } from './fields/field.ts';

/**
 * What holds where nothing is asked: the values of each level, the farthest first, so that nearer ones win.
 */
export const inheritedFrom = (
  levels: readonly (readonly [level: OptionLevel | 'code', options: Options])[],
): Record<string, Inherited> =>
  Object.fromEntries(
    levels.flatMap(([level, options]) =>
      formatOptions(options).map(({ name, value }) => [name, { value, from: spoken.levels[level] }]),
    ),
  );
