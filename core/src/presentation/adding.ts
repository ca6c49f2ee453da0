import type { Code } from '../code.ts';
import type { Change } from '../options/change.ts';
import { contribution, type Option, type OptionContext, type OptionGroup } from '../options/option.ts';
import type { OptionType } from '../options/types/type.ts';
import type { OptionValue } from '../options/values.ts';
import { outermostOf, standing } from './standing.ts';
import { hasPlace, noTarget } from './target.ts';

/** An option that brings something of ours to a code, together with the elements of ours that it needs. */
export const adding = <V extends OptionValue>({
  bring,
  ...words
}: {
  name: string;
  type: OptionType<V>;
  group: OptionGroup;
  example: string;
  source: string;
  /** What it brings, beside those elements. */
  bring: (code: Code, value: V, context: OptionContext) => readonly Change[];
}): Option<V> => ({
  ...words,
  stage: 'presentation',
  kinds: 'any',
  isOffered: (_, reading) => hasPlace(reading),
  current: () => null,
  contribute: (code, value, context) =>
    outermostOf(code, context.options)
      ? contribution([...bring(code, value, context), ...standing(code, context.options)])
      : noTarget(code),
});
