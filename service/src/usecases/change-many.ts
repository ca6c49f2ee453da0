import { withoutOptions, type Options } from '@orbis/core';
import { optionsLine, OrbisError, type GroupOutcome } from '@orbis/contract';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { serializeChange } from '../serializers/group-changes.ts';
import type { Actor } from '../store/embeds.ts';
import {
  addRevisions,
  embedsWhere,
  findChange,
  itemsOfChange,
  markUndone,
  recordChange,
  type GroupChangeRow,
} from '../store/group-changes.ts';
import { checkOptions } from './check-options.ts';
import { changeGroup, serializePlan, type GroupPlan } from './group-change.ts';
import { searchFor } from './search.ts';
import { summarize } from './summarize.ts';

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
  const said = wordsOf(asked);
  if (said === '') throw new OrbisError('nothing-asked');
  const term = searchFor(asked.where);
  checkOptions(asked.options, renderContext().sheets);
  return inTransaction(db, async (tx): Promise<GroupOutcome> => {
    const found = await embedsWhere(tx, term, { lock: !asked.dryRun });
    const request = { ...asked, change: changeOf(asked) };
    const plan = await changeGroup(tx, found, request, renderContext(), actor);
    const outcome = await serializePlan(tx, found.length, plan);
    if (asked.dryRun || plan.todo.length === 0) return outcome;
    const what = { search: asked.where, said: said.slice(0, 2000) };
    const id = await recordChange(tx, what, itemsOf(plan), actor);
    return { ...outcome, change: serializeChange((await findChange(tx, id))!) };
  });
}

/**
 * Takes a change of many embeds back: each gets a new revision that is as it was before.
 * @throws OrbisError `not-found`, `change-undone`, `changed-since`
 */
export const undoMany = (
  id: string,
  { connection: { db } }: Pick<Deps, 'connection'>,
  actor: Actor,
): Promise<GroupChangeRow> =>
  inTransaction(db, async (tx) => {
    const row = await findChange(tx, id, { lock: true });
    if (!row)
      throw new OrbisError('not-found', {
        what: 'change',
        key: id,
      });
    if (row.undoneAt) throw new OrbisError('change-undone', { at: row.undoneAt.toISOString() });
    const items = await itemsOfChange(tx, row.id);
    refuseLaterChanges(items);
    const back = items.map(({ embed, earlier }) => {
      const { options, sheetId, sheetDigest, sourceId, number } = earlier;
      return {
        embed,
        sourceId,
        values: { options, sheetId, sheetDigest, reason: `revision ${number} again` },
      };
    });
    await addRevisions(tx, back, actor);
    await markUndone(tx, row.id, actor.now);
    return { ...row, undoneAt: actor.now };
  });

/* As somebody would type it: “end=3:05 without hue”. */
const wordsOf = ({ options, unset }: ManyAsked): string =>
  [optionsLine(options), ...unset.map((name) => `without ${name}`)].filter(Boolean).join(' ');

/* What is asked of an embed afterwards; options of its own sheet are kept by their bare names. */
const changeOf =
  ({ options, unset }: ManyAsked) =>
  (now: Options, sheetId: string | null): Options => {
    const bare = (name: string): string =>
      name.startsWith(`${sheetId}.`) ? name.slice(name.indexOf('.') + 1) : name;
    return { ...withoutOptions(now, unset.map(bare)), ...options };
  };

const itemsOf = ({ todo }: GroupPlan): Parameters<typeof recordChange>[2] =>
  todo.map(({ embed }) => ({
    embedId: embed.id,
    from: embed.revision,
    to: embed.revision + 1,
    version: embed.version + 1,
  }));

function refuseLaterChanges(items: Awaited<ReturnType<typeof itemsOfChange>>): void {
  const since = items.filter(({ item, embed }) => embed.version !== item.version);
  if (since.length === 0) return;
  throw new OrbisError(
    'changed-since',
    { count: since.length, embeds: summarize(since.map(({ embed }) => embed.key)) },
    since.map(({ embed }) => ({ embed: embed.key, detail: 'It was changed since.' })),
  );
}
