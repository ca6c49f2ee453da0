import { distance } from 'fastest-levenshtein';
import {
  optionNamed,
  optionNames,
  ownOptions,
  parameterOf,
  type Option,
  type Options,
  type Sheet,
} from '@orbis/core';
import { OrbisError } from '../errors.ts';
import { formatExpectation, formatValue, optionWords } from '../language/index.ts';

/**
 * Reads options as people type them (`start=1:52`, `fit=shape`, `parameter.hue=12`), also those that one of
 * these sheets declares (`counts=visitors`); where two sheets declare one of the same name, the sheet’s name
 * stands before it.
 * @throws OrbisError `option-unknown`, `option-ambiguous` or `value-invalid`, with what would do.
 */
export const parseOptions = (words: readonly string[], sheets: readonly Sheet[] = []): Options =>
  Object.assign({}, ...words.map((word) => parseOption(word, sheets))) as Options;

function parseOption(word: string, sheets: readonly Sheet[]): Options {
  const equals = word.indexOf('=');
  const name = (equals < 0 ? word : word.slice(0, equals)).trim();
  const found = equals < 0 ? '' : word.slice(equals + 1);
  const option = knownOption(name, sheets);
  const parsed = option.type.parse(found);
  const isMissing = equals < 0 && parameterOf(name) !== null;
  if (parsed.ok && !isMissing) return { [name]: parsed.value };
  const several = option.shorthand?.(found) ?? null;
  if (several) return several;
  const expected = parsed.ok ? 'a value behind “=”' : formatExpectation(parsed.expected);
  throw new OrbisError('value-invalid', {
    option: name,
    found,
    expected: `${expected}. Example: ${name}=${option.example}`,
  });
}

/**
 * An option by its name, of the table or of one of these sheets.
 * @throws OrbisError `option-unknown`, or `option-ambiguous` where several sheets
 * mean different things by it.
 */
export function knownOption(name: string, sheets: readonly Sheet[]): Option {
  const known = optionNamed(name);
  if (known) return known;
  const [first, ...others] = sheets.filter((sheet) => optionNamed(name, sheet) !== null);
  if (!first) throw unknownOption(name, sheets);
  if (
    others.some((sheet) => JSON.stringify(meaningOf(name, sheet)) !== JSON.stringify(meaningOf(name, first)))
  )
    throw new OrbisError('option-ambiguous', {
      found: name,
      providers: [first, ...others].map((sheet) => sheet.name).join(', '),
      one: `${first.id}.${name}`,
    });
  return optionNamed(name, first)!;
}

/* What people can mean by an option: two sheets with the same values mean the same. */
const meaningOf = (name: string, sheet: Sheet): object => {
  const { name: type, limits } = optionNamed(name, sheet)!.type;
  return { type, limits };
};

/**
 * Options as people read and type them, in the order of the table; then what sheets declare, and
 * last what is set by hand.
 */
export function formatOptions(options: Options): { name: string; value: string }[] {
  const others = Object.keys(options).filter((name) => !optionNames.includes(name));
  const byHand = others.filter((name) => parameterOf(name) !== null);
  const own = others.filter((name) => parameterOf(name) === null);
  return [...optionNames, ...own.sort(), ...byHand.sort()].flatMap((name) => {
    const value = options[name];
    return value === undefined ? [] : [{ name, value: formatValue(name, value) }];
  });
}

/** Options as one line that can be typed again. */
export const optionsLine = (options: Options): string =>
  formatOptions(options)
    .map(({ name, value }) => `${name}=${value}`)
    .join(' ');

/** Options as owners read them who have never typed one: “never wider than 320, stands in the middle”. */
export const optionsInWords = (options: Options, sheet: Sheet | null = null): string =>
  formatOptions(options)
    .map(({ name, value }) => {
      const { label, words } = optionWords(name, sheet);
      const said = optionNamed(name, sheet)?.type.name === 'text' ? `“${value}”` : value;
      return `${label.toLowerCase()} ${words?.[value]?.toLowerCase() ?? said}`;
    })
    .join(', ');

/** The error for a name that no option has, with the one that it may have been meant for. */
export function unknownOption(name: string, sheets: readonly Sheet[] = []): OrbisError {
  const names = [
    ...optionNames,
    ...new Set(sheets.flatMap((sheet) => ownOptions(sheet).map((option) => option.name))),
  ];
  const near = names.find((known) => distance(known, name.toLowerCase()) <= 2);
  return new OrbisError('option-unknown', { found: name, near: near ?? null, known: names.join(', ') });
}
