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

/** Chooses the parameter that is the id: what differs from sample to sample, by its place, its name and its values. `linked` are the values in links. */
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

function weigh(
  parameter: Parameter,
  guess: Guess,
  all: readonly Parameter[],
  linked: ReadonlySet<string>,
): { weight: number; differs: boolean; reasons: Reason[] } {
  const { values, at } = parameter;
  const different = valuesOf(parameter);
  if (values.includes(null) || different.includes('')) return { weight: 0, differs: false, reasons: [] };
  const words = wordsIn(at.name);
  const own = words.some((word) => itemWords.has(word) || wordsFor['account']!.includes(word));
  const differs = different.length > 1;
  const last =
    at.in === 'path' &&
    all.findLast(
      (other) => other.at.in === 'path' && other.at.piece === undefined && !other.values.includes(null),
    ) === parameter;
  const known = different.length > 0 && different.every((value) => linked.has(value));
  const reasons = [
    ...(known ? [reason('in-the-links')] : []),
    differs
      ? reason(different.length === values.length ? 'another-in-every-sample' : 'differs')
      : reason('same-in-all'),
    ...(own ? [reason('name-says-so', { name: at.name })] : last ? [reason('last-step')] : []),
  ];
  const weight =
    (known ? 6 : 0) +
    (differs ? 4 : 0) +
    (different.length === values.length && differs ? 1 : 0) +
    (own ? 3 : 0) +
    (at.in === 'path' ? 1 : 0) +
    (last ? 2 : 0) -
    (guess.sure && guess.setting !== 'account' ? 7 : 0) -
    // Few values of a plain kind are a choice; what is an id is mostly longer.
    (different.every((value) => /^(?:\d{1,2}|true|false|yes|no|on|off)$/.test(value)) && at.in !== 'path'
      ? 3
      : 0);
  return { weight, differs, reasons: reasons };
}
