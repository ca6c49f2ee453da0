import type { OptionProblem } from '../options/option.ts';
import type { Asker, AskedChange } from './changes.ts';

/* The higher one wins. */
const strength: Record<Asker, number> = { settings: 1, presentation: 2, mark: 3, hand: 4 };

/** An option that gave way to a stronger one. */
export interface Loss {
  option: string;
  to: string;
}

/** Changes of which none speaks against another. */
export interface Settled {
  changes: AskedChange[];
  losses: Loss[];
  problems: OptionProblem[];
}

/**
 * Lets the stronger stage win where two changes give one thing different values, and names the loser. Two options of
 * one stage that do are a problem: the owner takes one of them out.
 */
export function settle(asked: readonly AskedChange[]): Settled {
  const losses: Loss[] = [];
  const problems: OptionProblem[] = [];
  const winners = new Map<string, AskedChange>();
  const losers = new Set<AskedChange>();
  for (const change of handLast(asked).reverse()) {
    const key = keyOf(change);
    const winner = winners.get(key);
    if (!winner) {
      winners.set(key, change);
      continue;
    }
    losers.add(change);
    if (valueOf(winner) === valueOf(change)) continue;
    if (strength[winner.stage] > strength[change.stage]) losses.push({ option: change.option, to: winner.option });
    else problems.push({ option: change.option, code: 'options-conflict', facts: { setting: change.option, other: winner.option } });
  }
  const changes = asked.filter((change) => !losers.has(change));
  return { changes: changes.map((change) => placed(change, losers)), losses: distinct([...losses, ...hintLosses(changes)]), problems };
}

/* The strongest last; within a stage what was asked for first comes last, so that it wins over its equals. */
function handLast(asked: readonly AskedChange[]): AskedChange[] {
  return asked
    .map((change, at) => ({ change, at }))
    .sort((a, b) => strength[a.change.stage] - strength[b.change.stage] || b.at - a.at)
    .map(({ change }) => change);
}

/* What a change gives a value to. A parameter is one thing wherever in its address it stands. */
function keyOf(change: AskedChange): string {
  switch (change.kind) {
    case 'parameter':
      return `parameter ${change.address.start} ${change.name}`;
    case 'span':
      return `span ${change.address.start} ${change.name} ${change.half}`;
    case 'path':
      return `path ${change.address.start} ${JSON.stringify(change.step)}`;
    case 'host':
      return `host ${change.address.start}`;
    case 'attribute':
      return `attribute ${change.element.start} ${change.name}`;
    case 'token':
      return `token ${change.element.start} ${change.name} ${change.token}`;
    case 'declaration':
      return `declaration ${change.element.start} ${change.property}`;
    case 'member':
      return `member ${change.element.start} ${JSON.stringify([change.of, change.path])}`;
  }
}

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
    case 'token':
      return change.token;
  }
}

/* A parameter that is set by hand goes where the option that it wins over would have put it. */
function placed(change: AskedChange, losers: ReadonlySet<AskedChange>): AskedChange {
  if (change.kind !== 'parameter' || change.in !== null) return change;
  const now = change.address.parameters.find(({ name }) => name === change.name)?.in;
  const lost = [...losers].find((other) => other.kind === 'parameter' && keyOf(other) === keyOf(change)) as typeof change | undefined;
  return { ...change, in: now ?? lost?.in ?? 'query' };
}

/* Width and height as attributes are hints that every declaration wins over (HTML, section 15.2). */
function hintLosses(changes: readonly AskedChange[]): Loss[] {
  const declared = changes.filter((change) => change.kind === 'declaration');
  return changes.flatMap((change) => {
    if (change.kind !== 'attribute' || (change.name !== 'width' && change.name !== 'height')) return [];
    const winner = declared.find(({ element, property }) => element === change.element && property === change.name);
    return winner ? [{ option: change.option, to: winner.option }] : [];
  });
}

const distinct = (losses: readonly Loss[]): Loss[] => [...new Map(losses.map((loss) => [`${loss.option} ${loss.to}`, loss])).values()];
