import type { MemberChange } from '../options/change.ts';
import type { OptionProblem } from '../options/option.ts';
import type { Asker, AskedChange } from './changes.ts';

/* The higher one wins. */
const strength: Record<Asker, number> = {
  'settings': 1,
  'presentation': 2,
  'isolation': 3,
  'mark': 4,
  'hand': 5,
  'leave-out': 6,
};

/** An option that gave way to a stronger one. */
export interface Loss {
  option: string;
  to: string;
}

/** Changes of which none speaks against another. */
export interface Settled {
  changes: readonly AskedChange[];
  losses: Loss[];
  problems: OptionProblem[];
}

/**
 * Lets the stronger stage win where two changes give one thing different values, and names the loser. Two
 * options of one stage that do are a problem: the owner takes one of them out.
 */
export function settle(asked: readonly AskedChange[]): Settled {
  const losses: Loss[] = [];
  const problems: OptionProblem[] = [];
  // By the address or element that they change: few have more than a handful.
  const winners = new Map<object, AskedChange[]>();
  const losers = new Set<AskedChange>();
  for (const change of strongestFirst(asked)) {
    const subject = subjectOf(change);
    const here = winners.get(subject);
    const winner = here?.find((other) => isSameThing(other, change));
    if (!winner) {
      if (here) here.push(change);
      else winners.set(subject, [change]);
      continue;
    }
    losers.add(change);
    if (valueOf(winner) === valueOf(change)) continue;
    if (strength[winner.stage] > strength[change.stage])
      losses.push({ option: change.option, to: winner.option });
    else
      problems.push({
        option: change.option,
        code: 'options-conflict',
        facts: { setting: change.option, other: winner.option },
      });
  }
  const changes = losers.size === 0 ? asked : asked.filter((change) => !losers.has(change));
  const byHand = changes.some((change) => change.kind === 'parameter' && change.in === null);
  return {
    changes: byHand ? changes.map((change) => placed(change, losers)) : changes,
    losses: distinct([...losses, ...hintLosses(changes)]),
    problems,
  };
}

/* Within a stage in the order of asking: of equals the first wins. */
function strongestFirst(asked: readonly AskedChange[]): readonly AskedChange[] {
  const [first] = asked;
  if (asked.every(({ stage }) => stage === first!.stage)) return asked;
  return [...asked].sort((a, b) => strength[b.stage] - strength[a.stage]);
}

/* What is no matter of one address or element. */
const wholeCode = {};

/** The address or element that a change is about; one object for all changes of the code as a whole. */
export function subjectOf(change: AskedChange): object {
  if ('address' in change) return change.address;
  return 'element' in change && typeof change.element === 'object' ? change.element : wholeCode;
}

/* Whether two changes of one address or element give a value to the same thing. */
const isSameThing = (a: AskedChange, b: AskedChange): boolean =>
  a.kind === b.kind && JSON.stringify(thingOf(a)) === JSON.stringify(thingOf(b));

/* What a change gives a value to, apart from the address or element. A parameter is one thing wherever in its
   address it stands. */
function thingOf(change: AskedChange): unknown {
  switch (change.kind) {
    case 'parameter':
    case 'attribute':
      return change.name;
    case 'span':
      return [change.name, change.half];
    case 'path':
      return change.step;
    case 'host':
    case 'tag':
      return null;
    case 'token':
      return [change.name, change.token];
    case 'declaration':
      return [change.property, change.when];
    case 'leave-out':
      return [change.range.start, change.range.end];
    case 'surround':
      return [change.layer, change.range.start, change.range.end];
    case 'insert':
      return [change.at, change.markup];
    case 'share':
      return [change.position, change.markup];
    case 'member':
      return [holderOf(change), change.path];
  }
}

const holderOf = ({ of }: MemberChange): string => ('call' in of ? of.call : of.attribute);

function valueOf(change: AskedChange): string {
  switch (change.kind) {
    case 'parameter':
    case 'path':
    case 'attribute':
    case 'declaration':
    case 'member':
      return JSON.stringify(change.value);
    case 'span':
      return String(change.seconds);
    case 'host':
      return change.to;
    case 'tag':
      return change.name;
    case 'token':
      return `${change.token} ${change.present}`;
    case 'leave-out':
      return '';
    case 'surround':
      return JSON.stringify([change.element, change.attributes]);
    case 'insert':
    case 'share':
      return change.markup;
  }
}

/* A parameter that is set by hand goes where the option that it wins over would have put it. */
function placed(change: AskedChange, losers: ReadonlySet<AskedChange>): AskedChange {
  if (change.kind !== 'parameter' || change.in !== null) return change;
  const now = change.address.parameters.find(({ name }) => name === change.name)?.in;
  const lost = [...losers].find(
    (other) =>
      other.kind === 'parameter' && subjectOf(other) === subjectOf(change) && isSameThing(other, change),
  ) as typeof change | undefined;
  return { ...change, in: now ?? lost?.in ?? 'query' };
}

/* Width and height as attributes are hints that every declaration wins over (HTML, section 15.2). */
function hintLosses(changes: readonly AskedChange[]): Loss[] {
  const declared = changes.filter((change) => change.kind === 'declaration' && change.when === undefined);
  if (declared.length === 0) return [];
  return changes.flatMap((change) => {
    if (change.kind !== 'attribute' || (change.name !== 'width' && change.name !== 'height')) return [];
    const winner = declared.find(
      (other) =>
        other.kind === 'declaration' && other.element === change.element && other.property === change.name,
    );
    return winner ? [{ option: change.option, to: winner.option }] : [];
  });
}

const distinct = (losses: readonly Loss[]): Loss[] => [
  ...new Map(losses.map((loss) => [`${loss.option} ${loss.to}`, loss])).values(),
];
