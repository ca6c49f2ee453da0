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
      /** Everything but the id, as a sheet has it; the id itself is this setting, where it can be changed like one. */
      settle(item: Parameter, itself: string | null): { settings: SheetSettings; lines: LearnedLine[] };
    }
  | { ok: false; problem: LearnProblem };

/** “It is none of these.” */
const none = '-';
const names = Object.keys(wordsFor);

/** Guesses what each parameter is for, for a provider of this kind (null: not known); what the owner has answered stands, where the values fit it. */
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

/* Latitude and longitude in two parameters are one setting: it goes by the first, and the second belongs to it. */
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
    // A step of the path that all samples share is how its addresses are made, no setting.
    if (parameter.at.in === 'path' && valuesOf(parameter).length < 2 && !parameter.values.includes(null))
      continue;
    const guess = guesses.get(parameter)!;
    const apart = longitude.get(parameter);
    const rule =
      guess.setting === null
        ? null
        : apart && guess.setting === 'centre'
          ? { ...parameter.at, longitude: apart.at.name }
          : ruleOf(guess.setting, parameter, answers);
    const taken = guess.setting !== null && rules.has(guess.setting);
    const looked = guess.setting === 'theme' && rule !== null;
    const repeats = parameter.values.every((value, i) => value === null || value === item.values[i]);
    const sure = (guess.sure || looked) && !taken && (rule !== null || guess.setting === null);
    if (sure && guess.setting !== null && rule) rules.set(guess.setting, rule);
    lines.push({
      about: parameter.about,
      what: 'parameter',
      seen: valuesOf(parameter).slice(0, 5),
      type: typeOfValues(valuesOf(parameter)),
      looks: guess.setting === 'theme' && rule === null ? valuesOf(parameter) : [],
      means: sure ? (guess.setting ?? none) : null,
      sure,
      reasons: taken
        ? [...guess.reasons, reason('taken-already')]
        : repeats && !sure
          ? [reason('repeats-id')]
          : guess.reasons,
      may: [...guess.may.filter((setting) => !rules.has(setting) || setting === guess.setting), none],
    });
  }
  return { settings: Object.fromEntries(rules) as SheetSettings, lines };
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
