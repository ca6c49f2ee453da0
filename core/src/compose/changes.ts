import type { Code } from '../code.ts';
import type { Change } from '../options/change.ts';
import type { Implied, OptionProblem, OptionStage, PastedPage } from '../options/option.ts';
import type { Options } from '../options/values.ts';
import { parameterOf } from '../settings/by-hand.ts';
import type { Sheet } from '../sheets/sheet.ts';
import { allOptions, optionNamed, optionNames } from './table.ts';

/**
 * Who asks for a change. Values that are set by hand win over isolation, this over
 * presentation, and this over settings.
 */
export type Asker = OptionStage | 'hand' | 'mark' | 'leave-out';

/** A change with the option that asks for it. */
export type AskedChange = Change & { option: string; stage: Asker };

/** What all options together ask for. */
export interface Asked {
  changes: AskedChange[];
  problems: OptionProblem[];
  implied: Implied[];
}

/**
 * Gathers the changes of every option, in an order that does not depend on the order of asking: settings in
 * the order of their sheet, then in that of the table, then what is set by hand. An option that cannot be
 * leaves its whole stage without changes, so that nothing is half done.
 */
export function gatherChanges(code: Code, options: Options, page: PastedPage): Asked {
  const implied = impliedBy(code, options);
  const all: Options =
    implied.length === 0
      ? options
      : { ...Object.fromEntries(implied.map(({ option, value }) => [option, value])), ...options };
  const context = { page, options: all, implied: new Map(implied.map((one) => [one.option, one])) };
  const changes: AskedChange[] = [];
  const problems: OptionProblem[] = [];
  const failed = new Set<OptionStage>();
  for (const name of ordered(code, all)) {
    const option = optionNamed(name, code.sheet);
    if (!option) {
      problems.push({ option: name, code: 'option-unknown', facts: { found: name } });
      continue;
    }
    const contribution = option.contribute(code, all[name]!, context);
    const stage: Asker = parameterOf(name) === null ? option.stage : 'hand';
    // They were made for this: nobody else has them.
    for (const change of contribution.changes) {
      const asked = change as AskedChange;
      asked.option = name;
      asked.stage = stage;
      changes.push(asked);
    }
    if (contribution.problems.length > 0) failed.add(option.stage);
    problems.push(...contribution.problems.map((problem) => ({ option: name, ...problem })));
  }
  if (failed.size === 0) return { changes, problems, implied };
  const stands = (stage: Asker): boolean =>
    !failed.has(stage === 'hand' ? 'settings' : (stage as OptionStage));
  return { changes: changes.filter(({ stage }) => stands(stage)), problems, implied };
}

/* Few options bring others. */
const bringing = allOptions.filter(({ implies }) => implies !== undefined);

/** What comes with what is asked for; of two options that bring the same, the first in the table does. */
export function impliedBy(code: Code, options: Options): Implied[] {
  const implied = new Map<string, Implied>();
  for (const { name: by, implies } of bringing) {
    const value = options[by];
    if (value === undefined || value === false) continue;
    for (const one of implies!(code, value, options))
      if (options[one.option] === undefined && !implied.has(one.option))
        implied.set(one.option, { ...one, by });
  }
  return [...implied.values()];
}

const rankInTable = new Map(optionNames.map((name, at) => [name, at]));
const ranks = new WeakMap<Sheet, ReadonlyMap<string, number>>();

/* The place of each of a sheet's settings in it. */
function ranksIn(sheet: Sheet): ReadonlyMap<string, number> {
  const known =
    ranks.get(sheet) ??
    new Map(
      [...Object.keys(sheet.settings), ...Object.keys(sheet.options ?? {})].map((name, at) => [name, at]),
    );
  ranks.set(sheet, known);
  return known;
}

function ordered({ sheet }: Code, options: Options): string[] {
  const ofSheet = sheet && ranksIn(sheet);
  const rank = (name: string): number => ofSheet?.get(name) ?? 1000 + (rankInTable.get(name) ?? 1000);
  return Object.keys(options)
    .filter((name) => options[name] !== undefined)
    .sort((a, b) => rank(a) - rank(b) || (a < b ? -1 : 1));
}
