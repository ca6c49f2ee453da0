import { optionNamed, optionNames, parameterOf, type Options, type OptionValue } from '@orbis/core';
import { OrbisError } from '../errors.ts';
import { formatExpectation, optionWords } from '../language/index.ts';

/**
 * Reads options as people type them (`start=1:52`, `fit=shape`, `parameter.hue=12`).
 * @throws OrbisError `option-unknown` or `value-invalid`, with what would do.
 */
export const parseOptions = (words: readonly string[]): Options => Object.fromEntries(words.map(parseOption));

function parseOption(word: string): [name: string, value: OptionValue] {
  const equals = word.indexOf('=');
  const name = (equals < 0 ? word : word.slice(0, equals)).trim();
  const found = equals < 0 ? '' : word.slice(equals + 1);
  const option = optionNamed(name);
  if (!option) throw unknownOption(name);
  const parsed = option.type.parse(found);
  const isMissing = equals < 0 && parameterOf(name) !== null;
  if (parsed.ok && !isMissing) return [name, parsed.value];
  const expected = parsed.ok ? 'a value behind “=”' : formatExpectation(parsed.expected);
  throw new OrbisError('value-invalid', { option: name, found, expected: `${expected}. Example: ${name}=${option.example}` });
}

/** Options as people read and type them, in the order of the table; parameters that are set by hand last. */
export function formatOptions(options: Options): { name: string; value: string }[] {
  const byHand = Object.keys(options).filter((name) => !optionNames.includes(name));
  return [...optionNames, ...byHand.sort()].flatMap((name) => {
    const [option, value] = [optionNamed(name), options[name]];
    return option && value !== undefined ? [{ name, value: option.type.format(value) }] : [];
  });
}

/** Options as one line that can be typed again. */
export const optionsLine = (options: Options): string =>
  formatOptions(options)
    .map(({ name, value }) => `${name}=${value}`)
    .join(' ');

/** Options as owners read them who have never typed one: “never wider than 320, stands in the middle”. */
export const optionsInWords = (options: Options): string =>
  formatOptions(options)
    .map(({ name, value }) => {
      const { label, words } = optionWords(name);
      return `${label.toLowerCase()} ${words?.[value]?.toLowerCase() ?? value}`;
    })
    .join(', ');

/** The error for a name that no option has, with the one that it may have been meant for. */
export function unknownOption(name: string): OrbisError {
  const near = optionNames.find((known) => distance(known, name.toLowerCase()) <= 2);
  return new OrbisError('option-unknown', { found: name, near: near ?? null, known: optionNames.join(', ') });
}

/* Levenshtein; names are short. */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) next[j] = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1));
    row = next;
  }
  return row[b.length]!;
}
