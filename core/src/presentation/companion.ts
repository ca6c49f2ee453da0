import { contribution, type Option, type OptionGroup } from '../options/option.ts';
import type { OptionType } from '../options/types/type.ts';
import type { OptionValue } from '../options/values.ts';
import { bodyOf } from './standing.ts';
import { hasPlace, noTarget } from './target.ts';

/** An option that says how another one does its work: alone it changes nothing. */
export const companion = <V extends OptionValue>(words: {
  name: string;
  type: OptionType<V>;
  group: OptionGroup;
  example: string;
  source: string;
}): Option<V> => ({
  ...words,
  stage: 'presentation',
  kinds: 'any',
  isOffered: (_, reading) => hasPlace(reading),
  current: () => null,
  contribute: (code, _, { options }) => (bodyOf(code, options) ? contribution([]) : noTarget(code)),
});
