import { setImmediate } from 'node:timers/promises';
import type { Composition, Options } from '@orbis/core';
import { formatProblem, OrbisError, serializeEdit, type GroupOutcome } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { chunks } from '../store/chunks.ts';
import { placementCounts, type Actor } from '../store/embeds.ts';
import { addRevisions, type ChangeableEmbed, type NextRevision } from '../store/group-changes.ts';
import { compositionsOf, newRevision, sameOptions } from './codes.ts';
import type { RenderContext } from './render-context.ts';
import { summarize } from './summarize.ts';

type Told = GroupOutcome['changed'][number];
type Impossible = GroupOutcome['impossible'][number];

/** What a change of many embeds comes to. */
export interface GroupPlan {
  todo: (NextRevision & { embed: ChangeableEmbed['embed']; told: Omit<Told, 'placements'> })[];
  impossible: Impossible[];
  /** How many have it already. */
  same: number;
}

export interface GroupRequest {
  /** From what is asked of an embed now to what shall be. */
  change: (now: Options, sheetId: string | null) => Options;
  /** Only tried: with the codes before and after, and nothing written. */
  dryRun: boolean;
  skipImpossible: boolean;
}

/**
 * Plans a change of many embeds, and writes it down part by part while the next part is planned; between two
 * parts others have their turn. Call it in a transaction, which a refusal ends.
 * @throws OrbisError `group-impossible`.
 */
export async function changeGroup(
  tx: Handle,
  found: readonly ChangeableEmbed[],
  request: GroupRequest,
  renderContext: RenderContext,
  actor: Actor,
): Promise<GroupPlan> {
  const plan: GroupPlan = { todo: [], impossible: [], same: 0 };
  const asked = new Map<string, ReturnType<typeof optionsFor>>();
  let writing = Promise.resolve();
  for (const part of chunks(found)) {
    const from = plan.todo.length;
    for (const stored of part) {
      // Of most embeds of a group the same is asked, mostly nothing.
      const key = JSON.stringify([stored.revision.sheetId, stored.revision.options]);
      const options = asked.get(key) ?? optionsFor(stored, request);
      asked.set(key, options);
      if (options.next === null) plan.same++;
      else await planOne(stored, options.now, options.next, { dryRun: request.dryRun, renderContext, plan });
    }
    const next = plan.todo.slice(from);
    if (!request.dryRun && (plan.impossible.length === 0 || request.skipImpossible)) {
      writing = writing.then(() => addRevisions(tx, next, actor));
      // It is waited for below; until then nobody is to take it for forgotten.
      writing.catch(() => undefined);
    }
    await setImmediate();
  }
  await writing;
  if (plan.impossible.length > 0 && !request.skipImpossible && !request.dryRun)
    throw refused(plan.impossible);
  return plan;
}

/* What is asked of an embed now, and then; null where that is the same. */
function optionsFor(
  { revision: { options: now, sheetId } }: ChangeableEmbed,
  { change }: GroupRequest,
): { now: Options; next: Options | null } {
  const next = change(now, sheetId);
  return { now, next: sameOptions(next, now) ? null : next };
}

async function planOne(
  { embed, source }: ChangeableEmbed,
  now: Options,
  options: Options,
  { dryRun, renderContext, plan }: { dryRun: boolean; renderContext: RenderContext; plan: GroupPlan },
): Promise<void> {
  const tried = await compositionsOf(source, renderContext, dryRun ? [options, now] : [options]);
  const { code } = tried;
  const values = newRevision(code.sheet, options, 'changed with others');
  if (sameOptions(values.options, now)) return void plan.same++;
  const after = tried.compositions[0]!;
  // What stood against an embed before is not the matter of this change.
  const before =
    tried.compositions[1] ??
    (after.problems.length > 0
      ? (await compositionsOf(source, renderContext, [now])).compositions[0]!
      : null);
  const problems = newProblems(before, after);
  if (problems.length > 0) return void plan.impossible.push({ embed: embed.key, name: embed.name, problems });
  const told = {
    embed: embed.key,
    name: embed.name,
    ...(dryRun && { before: before!.text, after: after.text, edits: after.edits.map(serializeEdit) }),
  };
  plan.todo.push({ embed, sourceId: source.id, values, told });
}

const newProblems = (before: Composition | null, { problems }: Composition): Impossible['problems'] =>
  problems
    .filter(
      ({ option, code }) => !before?.problems.some((known) => known.option === option && known.code === code),
    )
    .map((problem) => ({ option: problem.option, detail: formatProblem(problem) }));

/** A plan as it is told, with how often each embed is placed. */
export async function serializePlan(
  db: Handle,
  found: number,
  { todo, same, impossible }: GroupPlan,
): Promise<GroupOutcome> {
  const counts = await placementCounts(
    db,
    todo.map(({ embed }) => embed.id),
  );
  return {
    change: null,
    found,
    changed: todo.map(({ embed, told }) => ({ ...told, placements: counts.get(embed.id) ?? 0 })),
    same,
    impossible,
  };
}

function refused(impossible: readonly Impossible[]): OrbisError {
  return new OrbisError(
    'group-impossible',
    { count: impossible.length, embeds: summarize(impossible.map(({ embed }) => embed)) },
    impossible.map(({ embed, problems }) => ({
      embed,
      detail: problems.map(({ detail }) => detail).join(' '),
    })),
  );
}
