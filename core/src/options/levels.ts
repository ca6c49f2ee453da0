import type { Kind } from '../reading/reading.ts';
import type { Options, OptionValue } from './values.ts';

/** Values for every embed of a kind, and for all (`any`); those of the kind win. */
export type KindDefaults = Readonly<Partial<Record<Kind | 'any', Options>>>;

/**
 * Where a value comes from, the nearest first: this placement, the embed’s revision, the site’s default for
 * the kind, the rules for all.
 */
export const levels = ['placement', 'embed', 'site', 'rule'] as const;
export type OptionLevel = (typeof levels)[number];

/** What is asked of an embed at each level; a level that is not there says nothing. */
export type LevelledOptions = Readonly<Partial<Record<OptionLevel, Options>>>;

/** The values that hold, and for each of them its level; a nearer one wins. */
export interface Effective {
  options: Options;
  levels: Readonly<Record<string, OptionLevel>>;
  /** Values that a nearer level overrides, the nearest first. */
  overridden: readonly { option: string; level: OptionLevel; value: OptionValue }[];
}

/**
 * Puts the values of all levels together. Parameters that are set by hand are joined one by
 * one, as all options are.
 */
export function effectiveOptions(asked: LevelledOptions): Effective {
  const options: Record<string, OptionValue> = {};
  const from: Record<string, OptionLevel> = {};
  const overridden: { option: string; level: OptionLevel; value: OptionValue }[] = [];
  for (const level of levels) {
    for (const [option, value] of Object.entries(asked[level] ?? {})) {
      if (Object.hasOwn(options, option)) {
        overridden.push({ option, level, value });
        continue;
      }
      options[option] = value;
      from[option] = level;
    }
  }
  return { options, levels: from, overridden };
}

/** The values that a site’s defaults have for an embed of this kind. */
export const defaultsFor = (defaults: KindDefaults, kind: Kind): Options => ({
  ...defaults.any,
  ...defaults[kind],
});
