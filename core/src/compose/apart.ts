import type { Code } from '../code.ts';
import { conditions, mediaOf, type Condition } from '../options/condition.ts';
import { isOurs, layers, type DeclarationChange } from '../options/change.ts';
import type { OptionProblem } from '../options/option.ts';
import { reason } from '../reason.ts';
import { rawAttribute } from '../settings/targets.ts';
import { parseStyle, type EditReason } from '../text/index.ts';
import type { AskedChange } from './changes.ts';
import { reasonOf } from './reasons.ts';

/** The class of a placement’s rules, by its public id. */
export const classFor = (placement: string): string => `orbis-${placement}`;

type Declared = AskedChange & DeclarationChange;
type Conditioned = Declared & { when: Condition };

/** Changes that can be written into the code, and what of the options cannot. */
export interface Carried {
  changes: readonly AskedChange[];
  uncarried: OptionProblem[];
}

const isConditioned = (change: AskedChange): change is Conditioned =>
  change.kind === 'declaration' && change.when !== undefined;

/**
 * Brings declarations under a condition to the page. A `style` attribute cannot carry them (CSS Style
 * Attributes, section 3), so they need rules apart from the code: with a `name` the elements get it as a
 * class, and the rules are shared in the page’s head; without one they are named as what is not carried. What
 * holds always stays inline.
 */
export function carry(code: Code, changes: readonly AskedChange[], name: string | null): Carried {
  const conditioned = changes.filter(isConditioned);
  if (conditioned.length === 0) return { changes, uncarried: [] };
  const others = changes.filter((change) => !isConditioned(change));
  if (name === null)
    return {
      changes: others,
      uncarried: distinct(
        conditioned.map(({ option, when }) => ({ option, code: 'needs-page-head', facts: { when } })),
      ),
    };
  const insisting = conditioned.filter((change) => insists(code, change));
  const carried = conditioned.filter((change) => !insisting.includes(change));
  return {
    changes: carried.length === 0 ? others : [...others, ...asClasses(code, carried, name)],
    uncarried: distinct(
      insisting.map(({ option, property }) => ({ option, code: 'code-insists', facts: { property } })),
    ),
  };
}

/* A declaration of the code itself that no rule wins over (CSS Cascading 4, section
   6.1: inline and important). */
const insists = (code: Code, { element, property, clears }: Conditioned): boolean =>
  ownStyle(code, element).some(
    (own) => own.important && (own.property === property || clears.includes(own.property)),
  );

type Target = DeclarationChange['element'];

/* Elements of ours have nothing of their own, and begin before all, the outer ones first. */
const startOf = (element: Target): number =>
  isOurs(element) ? layers.indexOf(element.ours) - layers.length : element.start;

const ownStyle = (code: Code, element: Target): ReturnType<typeof parseStyle> =>
  isOurs(element) ? [] : parseStyle(rawAttribute(code, element, 'style'));

/* A class for each element, and one style part with the rules of all. */
function asClasses(code: Code, changes: readonly Conditioned[], name: string): AskedChange[] {
  const elements = [...new Set(changes.map(({ element }) => element))].sort(
    (a, b) => startOf(a) - startOf(b),
  );
  const classOf = (element: Target): string =>
    elements[0] === element ? name : `${name}-${elements.indexOf(element) + 1}`;
  const first = changes[0]!;
  const asker = { stage: first.stage, option: first.option };
  const classes = elements.map((element): AskedChange => {
    const { stage, option } = changes.find((change) => change.element === element)!;
    return {
      kind: 'token',
      element,
      name: 'class',
      token: classOf(element),
      present: true,
      reason: reason('class-for-rules'),
      stage,
      option,
    };
  });
  const rules = conditions.flatMap((when) => mediaRules(code, when, changes, elements, classOf));
  return [
    ...classes,
    {
      kind: 'share',
      position: 'page-head',
      markup: `<style>${rules.join('')}</style>`,
      holds: changes.map(whyHeld),
      reason: reason('rules-apart'),
      ...asker,
    },
  ];
}

/* With the condition, which the sentence names. */
function whyHeld(change: Conditioned): EditReason {
  const { facts, ...why } = reasonOf(change);
  return { ...why, facts: { ...facts, when: change.when } };
}

function mediaRules(
  code: Code,
  when: Condition,
  changes: readonly Conditioned[],
  elements: readonly Target[],
  classOf: (element: Target) => string,
): string[] {
  const rules = elements.flatMap((element) => {
    const here = changes.filter((change) => change.when === when && change.element === element);
    return here.length === 0
      ? []
      : [
          `${selectorOf(when, classOf(element))}{${[...undoing(code, element, here), ...here.map(({ property, value }) => declaration(property, value))].join(';')}}`,
        ];
  });
  if (rules.length === 0 || when === 'in-section' || when === 'of-section') return rules;
  return [`@media ${mediaOf[when]}{${rules.join('')}}`];
}

/** Whether a code with its rules lies behind what it stands in, and so has no height of its own. */
export const liesBehind = (text: string): boolean => text.includes(':has(>.orbis-');

/* Of what an element stands in: Selectors 4, section 4.5. */
const selectorOf = (when: Condition, name: string): string =>
  when === 'of-section' ? `:has(>.${name})` : `.${name}`;

/* Of the element’s own style, what would undo these. */
const undoing = (code: Code, element: Target, changes: readonly Conditioned[]): string[] => {
  const clears = new Set(changes.flatMap((change) => change.clears));
  return [...new Set(ownStyle(code, element).map(({ property }) => property))]
    .filter((property) => clears.has(property))
    .map((property) => declaration(property, 'initial'));
};

/* Only what is important wins over an element’s own style. */
const declaration = (property: string, value: string): string => `${property}:${value}!important`;

const distinct = (problems: readonly OptionProblem[]): OptionProblem[] => [
  ...new Map(problems.map((problem) => [`${problem.option} ${problem.code}`, problem])).values(),
];
