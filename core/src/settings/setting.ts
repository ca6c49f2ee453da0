import type { Code } from '../code.ts';
import type { Option, OptionContext, OptionProblem } from '../options/option.ts';
import type { OptionValue } from '../options/values.ts';
import { contributeBySheet } from './by-sheet.ts';
import { currentBySheet } from './current.ts';

type Against<V> = (code: Code, value: V, context: OptionContext) => readonly Omit<OptionProblem, 'option'>[];

type Definition<V extends OptionValue> = Pick<
  Option<V>,
  'name' | 'type' | 'kinds' | 'example' | 'source' | 'implies'
> & {
  /** Words of common speech by which providers call it, with blanks between them. */
  words: string;
  /** What stands against it, with what else is asked for and with what the code says already. */
  against?: Against<V>;
};

/**
 * An option with one meaning for all providers, of which each provider’s sheet says
 * where it takes it and how.
 */
export function setting<V extends OptionValue>({ against, words, ...definition }: Definition<V>): Option<V> {
  const option: Option<V> = {
    stage: 'settings',
    ...definition,
    words: words.split(' '),
    isOffered: (sheet) => sheet !== null && Object.hasOwn(sheet.settings, definition.name),
    current: (code) => currentBySheet(definition, code) as V | null,
    contribute: (code, value, context) => {
      const { changes, problems } = contributeBySheet(option, code, value, context);
      return { changes, problems: problems.length > 0 ? problems : (against?.(code, value, context) ?? []) };
    },
  };
  return option;
}
