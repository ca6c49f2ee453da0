import {
  optionNamed,
  parameterOf,
  type Option,
  type Options,
  type OptionValue,
  type Sheet,
} from '@orbis/core';
import { formatExpectation } from '@orbis/contract/language';
import { formatOptions } from '@orbis/contract/options';

/** Options as they stand in the form: one text for each name; empty means not asked for. */
export type Draft = Record<string, string>;

export const draftOf = (options: Options): Draft =>
  Object.fromEntries(formatOptions(options).map(({ name, value }) => [name, value]));

/** A draft when something else was saved meanwhile, and the options that both have changed otherwise. */
export interface Merged {
  draft: Draft;
  both: string[];
}

/**
 * A draft over what somebody else has saved since it was begun: what it changed stays as it is in the draft,
 * and all else is as it is saved now.
 */
export function mergedDraft(begun: Draft, mine: Draft, saved: Draft): Merged {
  const names = [...new Set([...Object.keys(begun), ...Object.keys(mine), ...Object.keys(saved)])];
  const isChanged = (name: string): boolean => mine[name] !== begun[name];
  const entries = names.flatMap((name): [string, string][] => {
    const value = isChanged(name) ? mine[name] : saved[name];
    return value === undefined ? [] : [[name, value]];
  });
  const both = names.filter(
    (name) => isChanged(name) && saved[name] !== begun[name] && saved[name] !== mine[name],
  );
  return { draft: Object.fromEntries(entries), both };
}

/** What is needed to read a draft beside the table of options. */
interface Known {
  /** The sheets whose own options can be in it. */
  sheets: readonly Sheet[];
  /** What is saved: of an option that no sheet at hand knows, that stays. */
  saved: Options;
}

/** The options that a draft comes to, and what cannot be understood in it, by name. */
export function optionsOf(
  draft: Draft,
  { sheets, saved }: Known,
): { options: Options; wrong: Record<string, string> } {
  const options: Record<string, OptionValue> = {};
  const wrong: Record<string, string> = {};
  for (const [name, text] of Object.entries(draft)) {
    // A parameter may well be empty: it is asked for as soon as it is there.
    if (text.trim() === '' && parameterOf(name) === null) continue;
    const parsed = optionIn(sheets, name)?.type.parse(text);
    if (!parsed && saved[name] !== undefined) options[name] = saved[name];
    if (parsed?.ok) options[name] = parsed.value;
    else if (parsed) wrong[name] = `Write ${formatExpectation(parsed.expected)}.`;
  }
  return { options, wrong };
}

/** An option of the table, or of the first of these sheets that declares it. */
function optionIn(sheets: readonly Sheet[], name: string): Option | null {
  for (const sheet of [null, ...sheets]) {
    const option = optionNamed(name, sheet);
    if (option) return option;
  }
  return null;
}
