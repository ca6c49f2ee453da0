import { Readable } from 'node:stream';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { digest } from '../../digest.ts';
import { findChange, listChanges } from '../../store/change-log.ts';
import { afterId, keyset } from '../../store/pages.ts';
import { changeFeed } from '../../usecases/change-feed.ts';
import { followChanges } from '../../usecases/follow-changes.ts';
import { narrowedTo, refuseUnlessEverywhere } from '../../usecases/may.ts';
import { tellChange, tellChanges } from '../../usecases/tell-changes.ts';
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
    'changes.list': async ({ query: { limit, after, standing, mine }, person, rights }) => {
      const isMine = mine === 'true' || narrowedTo({ person: person!, rights }) !== null;
      const rows = await listChanges(db, {
        ...{ limit, before: afterId(after), standing: standing === 'true' },
        by: isMine ? person!.id : undefined,
      });
      const { items, next } = keyset(rows, limit, (row) => row);
      return { data: { items: await tellChanges(db, items), next } };
    },
    'changes.follow': async ({ person, rights, signal }) => {
      const narrowed = narrowedTo({ person: person!, rights });
      const { now } = deps;
      return { events: followChanges(db, { personId: person!.id, narrowed, now, signal }) };
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
      return { data: await tellChange(db, row) };
    },
    'changes.undo': async ({ params, actor, person, rights }) => {
      const done = await findChange(db, params.change);
      // Where news goes decides only who manages that.
      if (done && 'what' in done.facts && done.facts.what === 'channel')
        await refuseUnlessEverywhere(db, { person: person!, rights }, 'manage');
      return { data: await undo(params.change, deps, actor) };
    },
  };
}
