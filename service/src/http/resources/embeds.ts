import type { Deps } from '../../deps.ts';
import { listEmbeds } from '../../store/list-embeds.ts';
import { keyset } from '../../store/pages.ts';
import { changeDetails, collect, duplicate } from '../../usecases/collection.ts';
import { embedReply, serializeSummaries } from '../../usecases/embeds.ts';
import { narrowedTo } from '../../usecases/may.ts';
import { purge } from '../../usecases/purge.ts';
import { searchFor } from '../../usecases/search.ts';
import type { Handlers, Named } from '../reply.ts';

/** The collection: collecting, listing, renaming, duplicating. */
export function embedHandlers(
  deps: Deps,
): Handlers<Exclude<Named<'embeds'>, 'embeds.picture' | 'embeds.photograph'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  const reply = (key: string, status = 200) => embedReply(db, key, renderContext(), status);
  return {
    'embeds.list': async ({ query, person, rights }) => {
      const of = narrowedTo({ person: person!, rights });
      const term = query.where === undefined ? undefined : searchFor(query.where);
      const page = keyset(await listEmbeds(db, { ...query, term, of }), query.limit, (row) => row);
      return { data: { items: await serializeSummaries(db, page.items, renderContext()), next: page.next } };
    },
    'embeds.create': async ({ body, actor }) => reply(await collect(body, deps, actor), 201),
    'embeds.read': ({ params }) => reply(params.embed),
    'embeds.change': async ({ params, body, matchState, actor }) => {
      await changeDetails(db, params.embed, body, matchState, actor);
      return reply(params.embed);
    },
    'embeds.purge': async ({ params, body, matchState, actor }) => {
      await purge(db, params.embed, body.reason, matchState, actor);
      return reply(params.embed);
    },
    'embeds.duplicate': async ({ params, body, actor }) =>
      reply(await duplicate(db, params.embed, body.name, renderContext(), actor), 201),
  };
}
