import type { Code } from '../code.ts';
import type { Change } from '../options/change.ts';
import type { Implied, Option, OptionProblem, OptionStage } from '../options/option.ts';
import type { Options, OptionValue } from '../options/values.ts';
import { parameterOf } from '../settings/by-hand.ts';
import { optionNamed, optionNames } from './table.ts';

/** Who asks for a change. Values that are set by hand win over isolation, this over presentation, and this over settings. */
export type Asker = OptionStage | 'hand' | 'mark';

/** A change with the option that asks for it. */
export type AskedChange = Change & { option: string; stage: Asker };

/** What all options together ask for. */
export interface Asked {
  changes: AskedChange[];
  problems: OptionProblem[];
  implied: Implied[];
}

/**
 * Gathers the changes of every option, in an order that does not depend on the order of asking: settings in the order
 * of their sheet, then in that of the table, then what is set by hand. An option that cannot be leaves its whole stage
 * without changes, so that nothing is half done.
 */
export function gatherChanges(code: Code, options: Options): Asked {
  const implied = impliedBy(code, options);
  const all: Options = { ...Object.fromEntries(implied.map(({ option, value }) => [option, value])), ...options };
  const context = { options: all, implied: new Map(implied.map((one) => [one.option, one])) };
  const changes: AskedChange[] = [];
  const problems: OptionProblem[] = [];
  const failed = new Set<OptionStage>();
  for (const name of ordered(code, all)) {
    const option = optionNamed(name);
    if (!option) {
      problems.push({ option: name, code: 'option-unknown', facts: { found: name } });
      continue;
    }
    const contribution = option.contribute(code, all[name]!, context);
    const stage: Asker = parameterOf(name) === null ? option.stage : 'hand';
    changes.push(...contribution.changes.map((change) => ({ ...change, option: name, stage })));
    if (contribution.problems.length > 0) failed.add(option.stage);
    problems.push(...contribution.problems.map((problem) => ({ option: name, ...problem })));
  }
  const stands = (stage: Asker): boolean => !failed.has(stage === 'hand' ? 'settings' : (stage as OptionStage));
  return { changes: changes.filter(({ stage }) => stands(stage)), problems, implied };
}

/* What comes with the options that are asked for; of two that bring the same, the first in the table does. */
function impliedBy(code: Code, options: Options): Implied[] {
  const implied = new Map<string, Implied>();
  for (const by of optionNames) {
    const value = options[by];
    if (value === undefined || value === false) continue;
    for (const one of impliedOf(optionNamed(by)!, code, value, options)) if (options[one.option] === undefined && !implied.has(one.option)) implied.set(one.option, { ...one, by });
  }
  return [...implied.values()];
}

const impliedOf = (option: Option, code: Code, value: OptionValue, options: Options): readonly Omit<Implied, 'by'>[] => option.implies?.(code, value, options) ?? [];

function ordered({ sheet }: Code, options: Options): string[] {
  const ofSheet = Object.keys(sheet?.settings ?? {});
  const known = [...ofSheet, ...optionNames.filter((name) => !ofSheet.includes(name))].filter((name) => options[name] !== undefined);
  const others = Object.keys(options).filter((name) => options[name] !== undefined && !known.includes(name));
  return [...known, ...others.sort()];
}
