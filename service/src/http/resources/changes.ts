import { Readable } from 'node:stream';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { digest } from '../../digest.ts';
import { serializeChange } from '../../serializers/changes.ts';
import { findChange, listChanges } from '../../store/change-log.ts';
import { afterId, keyset } from '../../store/pages.ts';
import { changeFeed } from '../../usecases/change-feed.ts';
import { changeMany } from '../../usecases/change-many.ts';
import { undo } from '../../usecases/undo/index.ts';
import type { Handlers, Named } from '../reply.ts';

/** What was done: listed, and taken back; and many embeds changed at once. */
export function changeHandlers(deps: Deps): Handlers<Named<'changes'>> {
  const { db } = deps.connection;
  return {
    'changes.create': async ({ body, actor }) => {
      const outcome = await changeMany(body, deps, actor);
      return { status: outcome.change === null ? 200 : 201, data: outcome };
    },
    'changes.list': async ({ query: { limit, after, standing } }) => {
      const rows = await listChanges(db, {
        limit,
        before: afterId(after),
        standing: standing === 'true',
      });
      return { data: keyset(rows, limit, serializeChange) };
    },
    'changes.feed': async ({ query, actor: { now } }) => {
      const feed = await changeFeed(query, {
        db,
        origin: deps.origins().console,
        version: deps.version,
        now,
      });
      return { stream: Readable.from([feed]), etag: `"${digest(feed).slice(0, 32)}"` };
    },
    'changes.read': async ({ params: { change } }) => {
      const row = await findChange(db, change);
      if (!row) throw new OrbisError('not-found', { what: 'change', key: change });
      return { data: serializeChange(row) };
    },
    'changes.undo': async ({ params, actor }) => ({ data: await undo(params.change, deps, actor) }),
  };
}
