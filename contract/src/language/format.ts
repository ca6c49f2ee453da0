import { optionNamed, parameterOf, type EditReason, type Expectation, type Facts, type Implied, type OptionProblem } from '@orbis/core';
import { en } from './en.ts';
import type { Language, OptionWords } from './language.ts';

/** What an option is called and does; one that nobody knows is called by its name. */
export function optionWords(name: string, language: Language = en): OptionWords {
  const parameter = parameterOf(name);
  if (parameter !== null) return { ...language.byHand, label: parameter };
  return Object.hasOwn(language.options, name) ? language.options[name]! : { label: name, explain: '', done: (value) => `${name}: ${value}` };
}

/** What a value could have been, as the end of a sentence. */
export const formatExpectation = ({ code, facts }: Expectation, language: Language = en): string => language.expected[code]!(facts);

/** The reasons of an edit in one or more plain sentences. */
export function formatReasons(reasons: readonly EditReason[], language: Language = en): string {
  const said = reasons.map((reason) => formatReason(reason, language));
  const clauses = said.filter((each) => !each.endsWith('.'));
  const sentences = said.filter((each) => each.endsWith('.'));
  const joined = clauses.map((clause, i) => (i === 0 ? clause : clause.charAt(0).toLowerCase() + clause.slice(1))).join('; ');
  return [...(joined === '' ? [] : [`${joined}.`]), ...sentences].join(' ');
}

function formatReason({ option, code, facts }: Pick<EditReason, 'option' | 'code' | 'facts'>, language: Language): string {
  const done = facts['value'] === undefined ? '' : optionWords(option, language).done(String(facts['value']));
  const because = facts['because'] ? `, because ${language.reasons[String(facts['because'])]!({})}` : '';
  return language.reasons[code]!({ ...facts, done: done + because });
}

/** Why an option came with another, as a clause. */
export const formatImplied = ({ option, reason }: Pick<Implied, 'option' | 'reason'>, language: Language = en): string => formatReason({ option, ...reason }, language);

/** Why an option cannot be fulfilled, in one plain sentence. */
export const formatProblem = ({ code, facts }: Pick<OptionProblem, 'code' | 'facts'>, language: Language = en): string =>
  language.problems[code]!.detail(withExpected(facts, language));

/* What a provider would take for a value, said in words. */
const withExpected = (facts: Facts, language: Language): Facts =>
  typeof facts['expects'] === 'string' ? { ...facts, expected: formatExpectation({ code: facts['expects'], facts }, language) } : facts;

/** A value as people read and type it. */
export function formatValue(name: string, value: unknown): string {
  const option = optionNamed(name);
  return option ? option.type.format(value as never) : String(value);
}

/** What a preset that comes with Orbis is for. */
export const presetMeaning = (key: string, language: Language = en): string => language.presets[key]!;
