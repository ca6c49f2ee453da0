import { setImmediate } from 'node:timers/promises';
import type { Outcome, Wishes } from '@orbis/core';
import { catalogue, OrbisError, type GroupOutcome } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { chunks } from '../store/chunks.ts';
import { placementCounts, type Act } from '../store/embeds.ts';
import { addRevisions, type ChangeableEmbed, type NextRevision } from '../store/group-changes.ts';
import { newRevision, outcomesOf, sameWishes } from './codes.ts';
import type { Making } from './making.ts';
import { someOf } from './some-of.ts';

type Told = GroupOutcome['changed'][number];
type Impossible = GroupOutcome['impossible'][number];

/** What a change of many embeds comes to. */
export interface GroupPlan {
  todo: (NextRevision & { embed: ChangeableEmbed['embed']; told: Omit<Told, 'placements'> })[];
  impossible: Impossible[];
  /** How many wish it already. */
  same: number;
}

export interface GroupWish {
  /** From what an embed wishes now to what it shall wish. */
  change: (now: Wishes) => Wishes;
  /** Only tried: with the codes before and after, and nothing written. */
  dryRun: boolean;
  skipImpossible: boolean;
}

/**
 * Plans a change of many embeds, and writes it down part by part while the next part is planned; between two parts
 * others have their turn. Call it in a transaction, which a refusal ends.
 * @throws OrbisError `group-impossible`.
 */
export async function changeGroup(tx: Handle, found: readonly ChangeableEmbed[], wish: GroupWish, making: Making, act: Act): Promise<GroupPlan> {
  const plan: GroupPlan = { todo: [], impossible: [], same: 0 };
  const wished = new Map<string, ReturnType<typeof wishFor>>();
  let writing = Promise.resolve();
  for (const part of chunks(found)) {
    const from = plan.todo.length;
    for (const stored of part) {
      // Most embeds of a group wish the same, mostly nothing.
      const key = JSON.stringify([stored.revision.settings, stored.revision.dress]);
      const wishes = wished.get(key) ?? wishFor(stored, wish);
      wished.set(key, wishes);
      if (wishes.next === null) plan.same++;
      else await planOne(stored, wishes.now, wishes.next, { dryRun: wish.dryRun, making, plan });
    }
    const next = plan.todo.slice(from);
    if (!wish.dryRun && (plan.impossible.length === 0 || wish.skipImpossible)) {
      writing = writing.then(() => addRevisions(tx, next, act));
      // It is waited for below; until then nobody is to take it for forgotten.
      writing.catch(() => undefined);
    }
    await setImmediate();
  }
  await writing;
  if (plan.impossible.length > 0 && !wish.skipImpossible && !wish.dryRun) throw refused(plan.impossible);
  return plan;
}

/* What an embed wishes now, and then; null where that is the same. */
function wishFor({ revision: { settings, dress } }: ChangeableEmbed, { change }: GroupWish): { now: Wishes; next: Wishes | null } {
  const now = { settings, dress };
  const next = change(now);
  return { now, next: sameWishes(next, now) ? null : next };
}

async function planOne(
  { embed, source }: ChangeableEmbed,
  now: Wishes,
  wishes: Wishes,
  { dryRun, making, plan }: { dryRun: boolean; making: Making; plan: GroupPlan },
): Promise<void> {
  const tried = await outcomesOf(source, making, dryRun ? [wishes, now] : [wishes]);
  const { code } = tried;
  const after = tried.outcomes[0]!;
  // What stood against an embed before is not the matter of this change.
  const before = tried.outcomes[1] ?? (after.problems.length > 0 ? (await outcomesOf(source, making, [now])).outcomes[0]! : null);
  const problems = newProblems(before, after);
  if (problems.length > 0) return void plan.impossible.push({ embed: embed.key, name: embed.name, problems });
  const told = { embed: embed.key, name: embed.name, ...(dryRun && { before: before!.text, after: after.text, edits: after.edits }) };
  plan.todo.push({ embed, sourceId: source.id, values: newRevision(code.sheet, wishes, 'changed with others'), told });
}

const newProblems = (before: Outcome | null, { problems }: Outcome): Impossible['problems'] =>
  problems
    .filter(({ wish, code }) => !before?.problems.some((known) => known.wish === wish && known.code === code))
    .map(({ wish, code, facts }) => ({ wish, detail: catalogue[code].detail(facts) }));

/** A plan as it is told, with how often each embed is placed. */
export async function tellPlan(db: Handle, found: number, { todo, same, impossible }: GroupPlan): Promise<GroupOutcome> {
  const counts = await placementCounts(
    db,
    todo.map(({ embed }) => embed.id),
  );
  return { change: null, found, changed: todo.map(({ embed, told }) => ({ ...told, placements: counts.get(embed.id) ?? 0 })), same, impossible };
}

function refused(impossible: readonly Impossible[]): OrbisError {
  return new OrbisError(
    'group-impossible',
    { count: impossible.length, embeds: someOf(impossible.map(({ embed }) => embed)) },
    impossible.map(({ embed, problems }) => ({ pointer: `/${embed}`, detail: problems.map(({ detail }) => detail).join(' ') })),
  );
}
