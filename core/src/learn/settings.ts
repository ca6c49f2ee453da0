import type { SheetSetting, SheetSettings } from '../sheets/sheet.ts';
import type { Kind } from '../reading/reading.ts';
import type { LearnAnswers, LearnedLine, LearnProblem } from './learned.ts';
import { fits, guessMeaning, ruleFor, typeOfValues, type Guess } from './meaning.ts';
import { valuesOf, type Parameter } from './parameters.ts';
import { latitudeWords, longitudeWords, wordsFor, wordsIn } from './vocabulary.ts';
import { reason } from '../reason.ts';

/** What the parameters of samples were taken for, before it is known which of them is the id. */
export type LearnedSettings =
  | {
      ok: true;
      guesses: ReadonlyMap<Parameter, Guess>;
      /**
       * Everything but the id, as a sheet has it; the id itself is this setting, where it
       * can be changed like one.
       */
      settle(item: Parameter, itself: string | null): { settings: SheetSettings; lines: LearnedLine[] };
    }
  | { ok: false; problem: LearnProblem };

/** “It is none of these.” */
const none = '-';
const names = Object.keys(wordsFor);

/**
 * Guesses what each parameter is for, for a provider of this kind (null: not known); what the owner has
 * answered stands, where the values fit it.
 */
export function learnSettings(
  parameters: readonly Parameter[],
  answers: LearnAnswers,
  kind: Kind | null,
): LearnedSettings {
  const guesses = new Map(
    parameters.map((parameter) => [parameter, guessMeaning(parameter.at.name, valuesOf(parameter), kind)]),
  );
  const longitude = pairOf(parameters, guesses);
  for (const parameter of parameters) {
    const said = answers[parameter.about];
    if (said === undefined) continue;
    const { may } = guesses.get(parameter)!;
    const setting = names.find((name) => name === said) ?? null;
    if (said !== none && (setting === null || !fits(setting, valuesOf(parameter))))
      return {
        ok: false,
        problem: {
          code: 'answer-does-not-fit',
          facts: { about: parameter.about, answer: said, may: [...may, none].join(', ') },
        },
      };
    guesses.set(parameter, { setting, sure: true, reasons: [reason('you-said-so')], may });
  }
  return {
    ok: true,
    guesses,
    settle: (item, itself) => settle(parameters, guesses, answers, { item, itself, longitude }),
  };
}

/* Latitude and longitude in two parameters are one setting: it goes by the first, and
   the second belongs to it. */
function pairOf(parameters: readonly Parameter[], guesses: Map<Parameter, Guess>): Map<Parameter, Parameter> {
  const degrees = (words: readonly string[], most: number): Parameter | undefined =>
    parameters.find((parameter) => {
      const values = valuesOf(parameter);
      return (
        wordsIn(parameter.at.name).some((word) => words.includes(word)) &&
        values.some((value) => value.includes('.')) &&
        values.every((value) => /^-?\d{1,3}(?:\.\d+)?$/.test(value) && Math.abs(Number(value)) <= most)
      );
    });
  const [latitude, longitude] = [degrees(latitudeWords, 90), degrees(longitudeWords, 180)];
  if (!latitude || !longitude || latitude.at.in !== longitude.at.in) return new Map();
  const reasons = [reason('are-degrees', { latitude: latitude.at.name, longitude: longitude.at.name })];
  for (const parameter of [latitude, longitude])
    guesses.set(parameter, { setting: 'centre', sure: true, reasons, may: ['centre'] });
  return new Map([[latitude, longitude]]);
}

interface Settling {
  item: Parameter;
  itself: string | null;
  longitude: ReadonlyMap<Parameter, Parameter>;
}

function settle(
  parameters: readonly Parameter[],
  guesses: ReadonlyMap<Parameter, Guess>,
  answers: LearnAnswers,
  { item, itself, longitude }: Settling,
): { settings: SheetSettings; lines: LearnedLine[] } {
  const rules = new Map<string, SheetSetting>();
  const lines: LearnedLine[] = [];
  if (itself && item.at.in !== 'path') rules.set(itself, item.at);
  const second = new Set(longitude.values());
  for (const parameter of parameters) {
    if (parameter === item || (second.has(parameter) && answers[parameter.about] === undefined)) continue;
    if (isSharedStep(parameter)) continue;
    const guess = guesses.get(parameter)!;
    const rule = ruleAt(guess.setting, parameter, longitude.get(parameter), answers);
    const isTaken = guess.setting !== null && rules.has(guess.setting);
    const sure = !isTaken && isSure(guess, rule);
    if (sure && guess.setting !== null && rule) rules.set(guess.setting, rule);
    const is = { sure, taken: isTaken, repeats: !sure && repeats(parameter, item) };
    const others = guess.may.filter((other) => !rules.has(other) || other === guess.setting);
    lines.push({ ...lineOf(parameter, guess, rule, is), may: [...others, none] });
  }
  return { settings: Object.fromEntries(rules), lines };
}

/* A step of the path that all samples share is how its addresses are made, no setting. */
const isSharedStep = (parameter: Parameter): boolean =>
  parameter.at.in === 'path' && valuesOf(parameter).length < 2 && !parameter.values.includes(null);

const repeats = ({ values }: Parameter, item: Parameter): boolean =>
  values.every((value, i) => value === null || value === item.values[i]);

const isSure = ({ setting, sure }: Guess, rule: SheetSetting | null): boolean =>
  setting === null ? sure : rule !== null && (sure || setting === 'theme');

function lineOf(
  parameter: Parameter,
  guess: Guess,
  rule: SheetSetting | null,
  is: { sure: boolean; taken: boolean; repeats: boolean },
): Omit<LearnedLine, 'may'> {
  const values = valuesOf(parameter);
  return {
    about: parameter.about,
    what: 'parameter',
    seen: values.slice(0, 5),
    type: typeOfValues(values),
    looks: guess.setting === 'theme' && rule === null ? values : [],
    means: is.sure ? (guess.setting ?? none) : null,
    sure: is.sure,
    reasons: reasonsFor(guess, is),
  };
}

function reasonsFor({ reasons }: Guess, is: { taken: boolean; repeats: boolean }): Guess['reasons'] {
  if (is.taken) return [...reasons, reason('taken-already')];
  return is.repeats ? [reason('repeats-id')] : reasons;
}

function ruleAt(
  setting: string | null,
  parameter: Parameter,
  longitude: Parameter | undefined,
  answers: LearnAnswers,
): SheetSetting | null {
  if (setting === null) return null;
  return longitude && setting === 'centre'
    ? { ...parameter.at, longitude: longitude.at.name }
    : ruleOf(setting, parameter, answers);
}

function ruleOf(setting: string, parameter: Parameter, answers: LearnAnswers): SheetSetting | null {
  const looks: Record<string, string> = {};
  for (const value of valuesOf(parameter)) {
    const said = answers[`${parameter.about}.${value}`];
    if (said === 'light' || said === 'dark') looks[value] = said;
  }
  return ruleFor(setting, parameter.at, valuesOf(parameter), {
    absent: parameter.values.includes(null),
    looks,
  });
}
