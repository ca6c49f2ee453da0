import type { Code } from '../code.ts';
import {
  effectiveOptions,
  type Effective,
  type LevelledOptions,
  type OptionLevel,
} from '../options/levels.ts';
import type { OptionProblem } from '../options/option.ts';
import { withoutOptions, type Options } from '../options/values.ts';
import {
  contactsOf,
  powerStates,
  recommendFrame,
  type Contacts,
  type FrameAdvice,
  type PowerState,
} from '../frame/index.ts';
import { withBareNames } from '../settings/of-sheet.ts';
import { compose } from './compose.ts';
import type { Circumstances, Composition } from './composition.ts';
import { optionNamed } from './table.ts';

/** What the values of several levels come to together. */
export interface LevelledComposition extends Composition {
  /** The values that hold. */
  effective: Options;
  levels: Effective['levels'];
  overridden: Effective['overridden'];
  /** Values for many embeds that this one cannot have, and so does without. */
  passedOver: OptionProblem[];
  /** Which way to place it is recommended, and what its frame lets it do. */
  advice: FrameAdvice;
  powers: PowerState[];
  /** Whom it contacts, as its owner has fixed it or its reading tells. */
  contacts: Contacts;
}

/* Values that are meant for many embeds: where one of them cannot be had, nobody has asked this embed for
   it. */
const forMany: ReadonlySet<OptionLevel> = new Set<OptionLevel>(['site', 'rule']);

/**
 * Composes a code with the values of all levels, the nearest winning. A value for many embeds
 * that this one cannot have is passed over; what is asked of the embed itself or of its placement
 * is a problem then, as ever.
 */
export function composeLevels(
  code: Code,
  asked: LevelledOptions,
  circumstances: Circumstances = {},
): LevelledComposition {
  let now = meantFor(code, asked);
  const passedOver: OptionProblem[] = [];
  for (;;) {
    const { options, levels, overridden } = effectiveOptions(now);
    const composition = compose(code, options, circumstances);
    const foreign = composition.problems.filter(({ option }) => forMany.has(levels[option]!));
    if (foreign.length === 0)
      return {
        ...composition,
        effective: options,
        levels,
        overridden,
        passedOver,
        advice: recommendFrame(code, circumstances.sharesHost),
        contacts: contactsOf(code, options),
        powers: powerStates(code, options, composition.framed?.sandboxTokens, circumstances.sharesHost),
      };
    passedOver.push(
      ...foreign.map((problem) => (problem.code === 'option-unknown' ? notOffered(problem, code) : problem)),
    );
    const names = foreign.map(({ option }) => option);
    now = {
      ...now,
      site: withoutOptions(now.site ?? {}, names),
      rule: withoutOptions(now.rule ?? {}, names),
    };
  }
}

/* With bare names for what the code’s own sheet declares; what names another
   provider’s is not meant for this code. */
function meantFor({ sheet }: Code, asked: LevelledOptions): LevelledOptions {
  const levels = Object.entries(asked).map(([level, options]) => {
    const bare = withBareNames(options, sheet);
    const ofOthers = forMany.has(level as OptionLevel)
      ? Object.keys(bare).filter((name) => name.includes('.') && optionNamed(name, sheet) === null)
      : [];
    return [level, ofOthers.length === 0 ? bare : withoutOptions(bare, ofOthers)];
  });
  return Object.fromEntries(levels) as LevelledOptions;
}

/* Of many embeds some other has it: it is there, but not for this code. */
const notOffered = ({ option }: OptionProblem, { sheet }: Code): OptionProblem =>
  sheet
    ? { option, code: 'setting-not-offered', facts: { setting: option, provider: sheet.name } }
    : { option, code: 'no-sheet', facts: { setting: option } };
