import type { Guess } from './meaning.ts';
import { valuesOf, type Parameter } from './parameters.ts';
import { itemWords, wordsFor, wordsIn } from './vocabulary.ts';
import { reason, type Reason } from '../reason.ts';

/** Which parameter is the item's own id. */
export interface ItemChoice {
  parameter: Parameter;
  sure: boolean;
  reasons: Reason[];
}

/**
 * Chooses the parameter that is the id: what differs from sample to sample, by its place, its name and its
 * values. `linked` are the values in links.
 */
export function chooseItem(
  parameters: readonly Parameter[],
  guesses: ReadonlyMap<Parameter, Guess>,
  linked: ReadonlySet<string>,
): ItemChoice | null {
  const weighed = parameters
    .filter((parameter) => parameter.at.piece === undefined)
    .map((parameter) => ({ parameter, ...weigh(parameter, guesses.get(parameter)!, parameters, linked) }))
    .filter(({ weight }) => weight > 0)
    .sort((a, b) => b.weight - a.weight);
  const [best, next] = weighed;
  if (!best) return null;
  return {
    parameter: best.parameter,
    sure: best.differs && best.weight - (next?.weight ?? 0) >= 2,
    reasons: best.reasons,
  };
}

/* What speaks for a parameter being the item’s id. */
interface Signs {
  known: boolean;
  differs: boolean;
  always: boolean;
  own: boolean;
  inPath: boolean;
  last: boolean;
  otherSetting: boolean;
  /** Few values of a plain kind are a choice; what is an id is mostly longer. */
  plain: boolean;
}

const weights: Readonly<Record<keyof Signs, number>> = {
  known: 6,
  differs: 4,
  always: 1,
  own: 3,
  inPath: 1,
  last: 2,
  otherSetting: -7,
  plain: -3,
};

function weigh(
  parameter: Parameter,
  guess: Guess,
  all: readonly Parameter[],
  linked: ReadonlySet<string>,
): { weight: number; differs: boolean; reasons: Reason[] } {
  const different = valuesOf(parameter);
  if (parameter.values.includes(null) || different.includes(''))
    return { weight: 0, differs: false, reasons: [] };
  const signs = signsOf(parameter, different, guess, all, linked);
  const weight = Object.entries(signs).reduce(
    (sum, [sign, there]) => sum + (there ? weights[sign as keyof Signs] : 0),
    0,
  );
  return { weight, differs: signs.differs, reasons: reasonsOf(parameter, signs) };
}

function signsOf(
  parameter: Parameter,
  different: readonly string[],
  guess: Guess,
  all: readonly Parameter[],
  linked: ReadonlySet<string>,
): Signs {
  const { values, at } = parameter;
  const inPath = at.in === 'path';
  const differs = different.length > 1;
  const isStep = (other: Parameter): boolean =>
    other.at.in === 'path' && other.at.piece === undefined && !other.values.includes(null);
  return {
    known: different.length > 0 && different.every((value) => linked.has(value)),
    differs,
    always: different.length === values.length && differs,
    own: wordsIn(at.name).some((word) => itemWords.has(word) || wordsFor['account']!.includes(word)),
    inPath,
    last: inPath && all.findLast(isStep) === parameter,
    otherSetting: guess.sure && guess.setting !== 'account',
    plain: !inPath && different.every((value) => /^(?:\d{1,2}|true|false|yes|no|on|off)$/.test(value)),
  };
}

function reasonsOf({ at }: Parameter, { known, differs, always, own, last }: Signs): Reason[] {
  const seen = differs ? reason('differs') : reason('same-in-all');
  return [
    ...(known ? [reason('in-the-links')] : []),
    always ? reason('another-in-every-sample') : seen,
    ...(own ? [reason('name-says-so', { name: at.name })] : last ? [reason('last-step')] : []),
  ];
}
