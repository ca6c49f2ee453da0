import type { Options } from '@orbis/core';
import { optionsLine } from '@orbis/contract';
import { isDeepStrictEqual } from 'node:util';

/** What became of options, as somebody would type it: “end=3:05 without hue”. */
export function differenceLine(before: Options, after: Options): string {
  const changed = Object.fromEntries(
    Object.entries(after).filter(([name, value]) => !isDeepStrictEqual(before[name], value)),
  );
  return optionsWith(
    changed,
    Object.keys(before).filter((name) => !Object.hasOwn(after, name)),
  );
}

/** Options as somebody would type them, with those that are taken back. */
export const optionsWith = (options: Options, unset: readonly string[]): string =>
  [optionsLine(options), ...unset.map((name) => `without ${name}`)].filter(Boolean).join(' ');
