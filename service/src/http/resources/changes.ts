import type { Deps } from '../../deps.ts';
import { serializeChange } from '../../serializers/group-changes.ts';
import { listChanges } from '../../store/group-changes.ts';
import { afterId, keyset } from '../../store/pages.ts';
import { changeMany, undoMany } from '../../usecases/change-many.ts';
import type { Handlers, Named } from '../reply.ts';

/** Changes of many embeds at once: tried, made, listed, taken back. */
export function changeHandlers(deps: Deps): Handlers<Named<'changes'>> {
  const { db } = deps.connection;
  return {
    'changes.create': async ({ body, actor }) => {
      const outcome = await changeMany(body, deps, actor);
      return { status: outcome.change === null ? 200 : 201, data: outcome };
    },
    'changes.list': async ({ query }) => {
      const rows = await listChanges(db, query.limit, afterId(query.after));
      const page = keyset(rows, query.limit, (row) => row);
      return { data: { items: page.items.map(serializeChange), next: page.next } };
    },
    'changes.undo': async ({ params, actor }) => ({
      data: serializeChange(await undoMany(params.change, deps, actor)),
    }),
  };
}
