import { optionNamed, parameterOf, type Options, type OptionValue } from '@orbis/core';
import { formatExpectation, formatOptions } from '@orbis/contract';

/** Options as they stand in the form: one text for each name; empty means not asked for. */
export type Draft = Record<string, string>;

export const draftOf = (options: Options): Draft => Object.fromEntries(formatOptions(options).map(({ name, value }) => [name, value]));

/** The options that a draft comes to, and what cannot be understood in it, by name. */
export function optionsOf(draft: Draft): { options: Options; wrong: Record<string, string> } {
  const options: Record<string, OptionValue> = {};
  const wrong: Record<string, string> = {};
  for (const [name, text] of Object.entries(draft)) {
    // A parameter may well be empty: it is asked for as soon as it is there.
    if (text.trim() === '' && parameterOf(name) === null) continue;
    const parsed = optionNamed(name)?.type.parse(text);
    if (parsed?.ok) options[name] = parsed.value;
    else if (parsed) wrong[name] = `Write ${formatExpectation(parsed.expected)}.`;
  }
  return { options, wrong };
}
