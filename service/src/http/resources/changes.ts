import { withoutOptions, type Options } from '@orbis/core';
import { optionsLine, OrbisError, type GroupChange, type GroupOutcome } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import {
  addRevisions,
  embedsWhere,
  findChange,
  itemsOfChange,
  listChanges,
  markUndone,
  recordChange,
  type GroupChangeRow,
} from '../../store/group-changes.ts';
import { afterId, keyset } from '../../store/pages.ts';
import { changeGroup, serializePlan } from '../../usecases/group-change.ts';
import { checkOptions } from '../../usecases/check-options.ts';
import { searchFor } from '../../usecases/search.ts';
import { summarize } from '../../usecases/summarize.ts';
import type { Handlers, Named } from '../reply.ts';
import { inTransaction } from '../../database/transaction.ts';

/** Changes of many embeds at once: tried, made, listed, taken back. */
export function changeHandlers({ connection: { db }, renderContext }: Deps): Handlers<Named<'changes'>> {
  return {
    'changes.create': async ({ body, actor }) => {
      const said = [optionsLine(body.options), ...body.unset.map((name) => `without ${name}`)]
        .filter(Boolean)
        .join(' ');
      if (said === '') throw new OrbisError('nothing-asked');
      const term = searchFor(body.where);
      checkOptions(body.options, renderContext().sheets);
      const bare = (name: string, sheetId: string | null): string =>
        name.startsWith(`${sheetId}.`) ? name.slice(name.indexOf('.') + 1) : name;
      const change = (now: Options, sheetId: string | null): Options => ({
        ...withoutOptions(
          now,
          body.unset.map((name) => bare(name, sheetId)),
        ),
        ...body.options,
      });
      const outcome = await inTransaction(db, async (tx): Promise<GroupOutcome> => {
        const found = await embedsWhere(tx, term, { lock: !body.dryRun });
        const plan = await changeGroup(
          tx,
          found,
          { change, dryRun: body.dryRun, skipImpossible: body.skipImpossible },
          renderContext(),
          actor,
        );
        const answer = await serializePlan(tx, found.length, plan);
        if (body.dryRun || plan.todo.length === 0) return answer;
        const items = plan.todo.map(({ embed }) => ({
          embedId: embed.id,
          from: embed.revision,
          to: embed.revision + 1,
          version: embed.version + 1,
        }));
        const id = await recordChange(tx, { search: body.where, said: said.slice(0, 2000) }, items, actor);
        return { ...answer, change: serializeChange((await findChange(tx, id))!) };
      });
      return { status: outcome.change === null ? 200 : 201, data: outcome };
    },
    'changes.list': async ({ query }) => {
      const page = keyset(
        await listChanges(db, query.limit, afterId(query.after)),
        query.limit,
        (row) => row,
      );
      return { data: { items: page.items.map(serializeChange), next: page.next } };
    },
    'changes.undo': async ({ params, actor }) => {
      const undone = await inTransaction(db, async (tx) => {
        const row = await findChange(tx, params.change, { lock: true });
        if (!row)
          throw new OrbisError('not-found', {
            what: 'change',
            key: params.change,
            remedy: '“orbis list changes” shows them.',
          });
        if (row.undoneAt) throw new OrbisError('change-undone', { at: row.undoneAt.toISOString() });
        const items = await itemsOfChange(tx, row.id);
        const since = items.filter(({ item, embed }) => embed.version !== item.version);
        if (since.length > 0) {
          throw new OrbisError(
            'changed-since',
            { count: since.length, embeds: summarize(since.map(({ embed }) => embed.key)) },
            since.map(({ embed }) => ({ pointer: `/${embed.key}`, detail: 'It was changed since.' })),
          );
        }
        await addRevisions(
          tx,
          items.map(({ embed, earlier }) => {
            const { options, sheetId, sheetDigest, sourceId } = earlier;
            return {
              embed,
              sourceId,
              values: { options, sheetId, sheetDigest, reason: `revision ${earlier.number} again` },
            };
          }),
          actor,
        );
        await markUndone(tx, row.id, actor.now);
        return { ...row, undoneAt: actor.now };
      });
      return { data: serializeChange(undone) };
    },
  };
}

const serializeChange = (row: GroupChangeRow): GroupChange => ({
  id: row.publicId,
  where: row.search,
  said: row.said,
  embeds: row.embeds,
  createdAt: row.createdAt.toISOString(),
  undoneAt: row.undoneAt?.toISOString() ?? null,
});
