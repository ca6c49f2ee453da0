import { withoutOptions, type Options } from '@orbis/core';
import { OrbisError, type GroupOutcome } from '@orbis/contract';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import type { Actor } from '../store/embeds.ts';
import { findChange, recordChange, type ChangedEmbed } from '../store/change-log.ts';
import { embedsWhere } from '../store/group-changes.ts';
import { checkOptions } from './check-options.ts';
import { changeGroup, serializePlan, type GroupPlan } from './group-change.ts';
import { optionsWith } from './difference-line.ts';
import { tellChange } from './tell-changes.ts';
import { searchFor } from './search.ts';

/** A change of every embed that a search finds. */
export interface ManyAsked {
  where: string;
  options: Options;
  /** Names of options that are asked for no longer. */
  unset: readonly string[];
  dryRun: boolean;
  /** Leaves out embeds that cannot have it, instead of refusing all. */
  skipImpossible: boolean;
}

/**
 * Changes options of many embeds at once, all or none, and keeps it as one change that can be taken back.
 * @throws OrbisError `nothing-asked`, `group-impossible`, or of the search or the options.
 */
export async function changeMany(
  asked: ManyAsked,
  { connection: { db }, renderContext }: Pick<Deps, 'connection' | 'renderContext'>,
  actor: Actor,
): Promise<GroupOutcome> {
  const said = optionsWith(asked.options, asked.unset);
  if (said === '') throw new OrbisError('nothing-asked');
  const term = searchFor(asked.where);
  checkOptions(asked.options, renderContext().sheets);
  return inTransaction(db, async (tx): Promise<GroupOutcome> => {
    const found = await embedsWhere(tx, term, { lock: !asked.dryRun });
    const request = { ...asked, change: changeOf(asked) };
    const plan = await changeGroup(tx, found, request, renderContext(), actor);
    const outcome = await serializePlan(tx, found.length, plan);
    if (asked.dryRun || plan.todo.length === 0) return outcome;
    const facts = { kind: 'group', where: asked.where, said, count: plan.todo.length } as const;
    const id = await recordChange(tx, { facts, embeds: changedIn(plan) }, actor);
    return { ...outcome, change: await tellChange(tx, (await findChange(tx, id!))!) };
  });
}

/* What is asked of an embed afterwards; options of its own sheet are kept by their bare names. */
const changeOf =
  ({ options, unset }: ManyAsked) =>
  (now: Options, sheetId: string | null): Options => {
    const bare = (name: string): string =>
      name.startsWith(`${sheetId}.`) ? name.slice(name.indexOf('.') + 1) : name;
    return { ...withoutOptions(now, unset.map(bare)), ...options };
  };

const changedIn = ({ todo }: GroupPlan): ChangedEmbed[] =>
  todo.map(({ embed: { id, revision } }) => ({ embedId: id, from: revision, to: revision + 1 }));
