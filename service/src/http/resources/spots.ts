import type { Deps } from '../../deps.ts';
import { pageKeyOf, serializeSpot } from '../../serializers/places.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import { spotByKey } from '../../usecases/places.ts';
import { standingOfSpot } from '../../usecases/standing.ts';
import { addSpot, changeSize, removeSpot, sizeSaid } from '../../usecases/spots.ts';
import type { Handlers, Named } from '../reply.ts';

/** Spots of pages: added, changed, removed. */
export function spotHandlers(deps: Deps): Handlers<Named<'spots'>> {
  const { db } = deps.connection;
  const reply = async (key: string, status = 200) => {
    const found = await spotByKey(db, key);
    return { status, data: serializeSpot(pageKeyOf(found), found.spot), etag: versionTag(found.spot) };
  };
  return {
    'spots.create': async ({ body, actor }) => {
      await addSpot(db, { key: body.key, size: sizeSaid(body) }, actor);
      return reply(body.key, 201);
    },
    'spots.read': ({ params }) => reply(params.spot),
    'spots.change': async ({ params, body, matchState, actor }) => {
      const size = body.shared ? null : sizeSaid(body);
      await changeSize(db, { key: params.spot, size }, matchState, actor);
      return reply(params.spot);
    },
    'spots.standing': async ({ params }) => ({ data: await standingOfSpot(db, params.spot) }),
    'spots.delete': async ({ params, query, matchState, actor }) => {
      const endsPlacements = query.placements === 'end';
      await removeSpot(db, params.spot, { endsPlacements }, matchState, actor);
      return { data: undefined, status: 204 };
    },
  };
}
