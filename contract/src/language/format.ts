import {
  coordinatesType,
  ratioType,
  deviceOf,
  isSameReason,
  optionNamed,
  parameterOf,
  switchType,
  type Condition,
  type Device,
  type EditReason,
  type Expectation,
  type Facts,
  type Ratio,
  type Implied,
  type Kind,
  type LearnedLine,
  type LearnProblem,
  type OptionProblem,
  type OptionValue,
  type Reason,
  type Sheet,
} from '@orbis/core';
import type { ChangeFacts } from '../change-facts.ts';
import { spoken } from './spoken.ts';
import type { Language, OptionWords, Remains, TroubleCode, Weighed } from './language.ts';

/** A state that a placement can be in. */
export type PlacementState = keyof typeof spoken.states;

/**
 * What an option is called and does: in words of ours, or of the sheet that declares it. One that nobody
 * knows is called by its name.
 */
export function optionWords(
  name: string,
  sheet: Sheet | null = null,
  language: Language = spoken,
): OptionWords {
  const parameter = parameterOf(name);
  if (parameter !== null) return { ...language.byHand, label: parameter };
  if (Object.hasOwn(language.options, name)) return language.options[name]!;
  const onDevice = deviceOf(name);
  if (onDevice) return wordsOnDevice(onDevice, sheet, language);
  const { label = name, explain = '', labels } = optionNamed(name, sheet)?.own ?? {};
  return { label, explain, done: (value) => `${label}: ${value}`, ...(labels && { words: labels }) };
}

function wordsOnDevice(
  { option, device }: { option: string; device: Device },
  sheet: Sheet | null,
  language: Language,
): OptionWords {
  const words = optionWords(option, sheet, language);
  const when = language.conditions[device];
  return {
    ...words,
    label: `${words.label}, ${when}`,
    explain: `${capital(when)}: ${lower(words.explain)}`,
    done: (value) => `${words.done(value)} ${when}`,
  };
}

/**
 * What an embed is and whose, in a sentence: “a video by Kinorill”.
 *
 * @param provider - null where it is not known.
 */
export const formatKind = (
  kind: Kind,
  provider: { name: string } | null,
  language: Language = spoken,
): string => `${language.kindNames[kind].one}${provider ? ` by ${provider.name}` : ''}`;

/** A text with a capital at its beginning. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** What a value could have been, as the end of a sentence. */
export const formatExpectation = ({ code, facts }: Expectation, language: Language = spoken): string =>
  language.expected[code]!(facts);

/** The reasons of an edit in one or more plain sentences. */
export function formatReasons(reasons: readonly EditReason[], language: Language = spoken): string {
  // Two elements of ours can be there for the same reason.
  const said = [...new Set(together(reasons).map((reason) => formatReason(reason, language)))];
  const clauses = said.filter((each) => !each.endsWith('.'));
  const sentences = said.filter((each) => each.endsWith('.'));
  const joined = clauses.map((clause, i) => (i === 0 ? clause : lower(clause))).join('; ');
  return [...(joined === '' ? [] : [`${joined}.`]), ...sentences].join(' ');
}

/* What is said of several properties alike is said once, with all of them. */
function together(reasons: readonly EditReason[]): EditReason[] {
  const out: EditReason[] = [];
  for (const reason of reasons) {
    const { property, ...facts } = reason.facts;
    const alike = out.findIndex(
      (other) =>
        property !== undefined && isSameReason({ ...other, facts: { ...other.facts, property } }, reason),
    );
    if (alike < 0) out.push(reason);
    else
      out[alike] = {
        ...reason,
        option: out[alike]!.option,
        facts: { ...facts, property: `${out[alike]!.facts['property']}, ${property}` },
      };
  }
  return out;
}

function formatReason(
  { option, code, facts }: Pick<EditReason, 'option' | 'code' | 'facts'>,
  language: Language,
): string {
  const done = facts['value'] === undefined ? '' : doneWith(option, facts, language);
  const because = facts['because']
    ? `${language.joints.because}${language.reasons[String(facts['because'])]!({})}`
    : '';
  const when = facts['when'] === undefined ? '' : ` ${language.conditions[facts['when'] as Condition]}`;
  return language.reasons[code]!({ ...facts, done: done + because }) + when;
}

/* What only a provider has is called as its sheet calls it. */
const doneWith = (option: string, { label, value }: Facts, language: Language): string =>
  typeof label === 'string' ? `${label}: ${value}` : optionWords(option, null, language).done(String(value));

/** Why an option came with another, as a clause. */
export const formatImplied = (
  { option, reason }: Pick<Implied, 'option' | 'reason'>,
  language: Language = spoken,
): string => formatReason({ option, ...reason }, language);

/** Why an option cannot be fulfilled, in one plain sentence. */
export const formatProblem = (
  { code, facts }: Pick<OptionProblem, 'code' | 'facts'>,
  language: Language = spoken,
): string => language.problems[code]!.detail(withExpected(facts, language));

/* What a provider would take for a value, said in words. */
const withExpected = (facts: Facts, language: Language): Facts =>
  typeof facts['expects'] === 'string'
    ? { ...facts, expected: formatExpectation({ code: facts['expects'], facts }, language) }
    : facts;

/** A value as people read and type it, also where nobody knows its option’s type. */
export function formatValue(name: string, value: OptionValue): string {
  const option = optionNamed(name);
  if (option) return option.type.format(value);
  if (typeof value === 'boolean') return switchType.format(value);
  if (Array.isArray(value)) return value.join(', ');
  if (typeof value !== 'object') return String(value);
  return 'latitude' in value ? coordinatesType.format(value) : ratioType.format(value as Ratio);
}

/** What was done, in a few words: “opening-talk placed in hollinfell/talks#opening”. */
export function formatChange(facts: ChangeFacts, language: Language = spoken): string {
  const words = language.changes[facts.kind] as (facts: ChangeFacts) => string;
  return words(facts);
}

/** What taking a change back does not reach, in a sentence. */
export function formatRemains(facts: Remains, language: Language = spoken): string {
  const words = language.remains[facts.code] as (facts: Remains) => string;
  return words(facts);
}

/** What a preset that comes with Orbis is for. */
export const presetMeaning = (key: string, language: Language = spoken): string => language.presets[key]!;

/** What a mending does, in one plain sentence. */
export const formatMend = ({ code, facts }: Reason, language: Language = spoken): string =>
  language.mends[code]!(facts);

/** What speaks for a kind, as a clause. */
export const formatEvidence = ({ code, facts }: Reason, language: Language = spoken): string =>
  language.evidence[code]!(facts);

/** Why a code is of its kind, in one plain sentence. */
export function formatKindReasons(reasons: readonly Reason[], language: Language = spoken): string {
  if (reasons.length === 0) return '';
  const said = reasons.map((reason) => formatEvidence(reason, language));
  const last = said.pop()!;
  // What is missing is told behind what there is.
  const joint = reasons.at(-1)!.code.endsWith('evidence') ? language.joints.andMissing : language.joints.and;
  const text = said.length > 0 ? `${said.join(', ')}${joint}${last}` : last;
  return `${capital(text)}.`;
}

/** What is wrong with a search. */
export const formatSearchProblem = ({ code, facts }: Reason, language: Language = spoken): string =>
  language.search.problems[code]!(facts);

/** Why a line of a learned sheet is as it is, as clauses. */
export const formatLearned = (reasons: readonly Reason[], language: Language = spoken): string =>
  reasons.map(({ code, facts }) => (language.learned[code] ?? language.evidence[code])!(facts)).join(', ');

/** Why a way to place a code is recommended, as a clause. */
export const formatAdvice = ({ code, facts }: Reason, language: Language = spoken): string =>
  language.advice[code]!(facts);

/** Why a frame is given a sandbox token, as a clause. */
export const formatSandboxToken = ({ code, facts }: Reason, language: Language = spoken): string =>
  language.sandboxTokens[code]!(facts);

/** What does not work in a code as it is shown, in sentences. */
export const formatTrouble = (
  { code, facts }: { code: TroubleCode; facts: Facts },
  language: Language = spoken,
): string => language.troubles[code](facts);

/** Why a link, an answer about it, or an entry in a list of providers cannot be used: a clause. */
export const formatLink = ({ code, facts }: Reason, language: Language = spoken): string =>
  language.links[code]!(facts);

/** What a rule found and what to do, in sentences. */
export function formatFinding(
  { rule, facts }: { rule: string; facts: Facts },
  language: Language = spoken,
): { message: string; remedy: string } {
  const words = language.findings[rule];
  if (!words) throw new Error(`no sentences for the rule ${rule}`);
  return { message: words.message(facts), remedy: words.remedy(facts) };
}

/** What findings of a rule are called, in a word or two. */
export const formatRule = (rule: string, language: Language = spoken): string =>
  language.findingTitles[rule] ?? rule;

/** What is otherwise on a page than it was handed out, in a sentence. */
export const formatDifference = ({ code, facts }: Reason, language: Language = spoken): string =>
  language.differences[code]!(facts);

/** Why nothing can be learned of some samples, and what would do. */
export const formatLearnProblem = ({ code, facts }: LearnProblem, language: Language = spoken): string =>
  language.learnProblems[code](facts);

/** What a line of a proposal is about, for people who do not know HTML. */
export function formatLearnedLine(
  { what, about }: Pick<LearnedLine, 'what' | 'about'>,
  language: Language = spoken,
): string {
  if (what !== 'parameter') return language.learnedAbout[what];
  return /^step-\d+$/.test(about) ? formatPart(about, language) : `“${about}”`;
}

/** What a line is taken for, in a word or two. */
export function formatMeaning(
  { means, what, looks }: Pick<LearnedLine, 'means' | 'what' | 'looks'>,
  language: Language = spoken,
): string {
  const { look, open, none } = language.learnedMeaning;
  if (means === null) return looks.length > 0 ? look : open;
  if (what === 'parameter' && means === '-') return none;
  return what === 'item' ? formatPart(means, language) : means;
}

/**
 * What a part of a code is called to the owner: the parameter's own name, or which step of the address it is.
 */
export function formatPart(about: string, language: Language = spoken): string {
  const step = /^step-(\d+)$/.exec(about)?.[1];
  return step === undefined ? about : language.step(step);
}

/** The state as people write it: “out of date”. */
export const formatState = (state: PlacementState, language: Language = spoken): string =>
  language.stateNames[state]!;

/** A state as a sweep saw it: at a further address of a site nothing is live. */
export const formatSeen = (
  state: PlacementState,
  { at }: { at: string | null },
  language: Language = spoken,
): string => (at !== null && state === 'live' ? language.seenElsewhere : formatState(state, language));

/** A number of bytes as people read it: `1.1 MB`. */
export const formatBytes = (bytes: number): string =>
  bytes < 1000
    ? `${bytes} bytes`
    : bytes < 1e6
      ? `${Math.round(bytes / 1000)} kB`
      : `${(bytes / 1e6).toFixed(1)} MB`;

/** What a code wants of a host, as people say it: “scripts and pictures”. */
export const formatUses = (uses: readonly string[], language: Language = spoken): string => {
  const words = [...new Set(uses.map((use) => language.contactUses[use] ?? language.contactUses['other']!))];
  return [words.slice(0, -1).join(', '), words.at(-1)].filter(Boolean).join(' and ');
};

/** How often a served frame was shown, in a sentence. */
export const formatHits = (
  {
    since,
    times,
    pages,
  }: { since: string; times: number; pages: readonly { page: string | null; registered: boolean | null }[] },
  language: Language = spoken,
): string =>
  language.hits({
    since,
    times,
    named: pages.filter(({ page }) => page !== null).length,
    elsewhere: pages.filter(({ registered }) => registered === false).length,
  });

/** What is told of a visitor’s browser: as it is counted. */
type Counted = Omit<Weighed, 'hosts' | 'size'> & { hosts: readonly string[]; bytes: number };
type Counts = Readonly<Record<'loaded' | 'clicked', Counted>>;

/** A weight as one line, and beside it that of the code as it was pasted, each with what it is about. */
export const formatWeighing = (
  { embed, bare }: { embed: Counts; bare: Counts },
  language: Language = spoken,
): (readonly [about: string, weight: string])[] => [
  [language.weighed.embed, formatWeights(embed, language)],
  [language.weighed.bare, formatWeights(bare, language)],
];

/* As a sentence: “4 requests to 1 host, 12 kB, no cookies; after a click nothing more”. */
const formatWeights = ({ loaded, clicked }: Counts, language: Language): string =>
  language.weighed.then(
    formatWeight(loaded, language),
    clicked.requests === loaded.requests ? null : formatWeight(clicked, language),
  );

/* As a clause: “4 requests to 1 host, 12 kB, no cookies”. */
const formatWeight = ({ hosts, bytes, ...counts }: Counted, language: Language): string =>
  language.weight({ ...counts, hosts: hosts.length, size: formatBytes(bytes) });

/** Where a colour of a site stands: “background of the page”. */
export const formatColourPlace = (
  place: Parameters<Language['colourPlace']>[0],
  language: Language = spoken,
): string => language.colourPlace(place);

const names = new Intl.DisplayNames('en', { type: 'language' });

/** What a language is called. @example languageName('de') // 'German' */
export const languageName = (language: string): string => names.of(language) ?? language;

const english = { rules: new Intl.PluralRules('en'), numbers: new Intl.NumberFormat('en') };

/** A number with what it counts: “1 embed”, “1,201 embeds”, “2 entries”. */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${english.numbers.format(count)} ${english.rules.select(count) === 'one' ? one : many}`;
