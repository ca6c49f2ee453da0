import { OrbisError, parsePlace } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { pageKeyOf, serializeSpot } from '../../serializers/places.ts';
import { changeSpot, deleteSpot, insertSpot, wasPlaced } from '../../store/places.ts';
import { pageByKey, spotByKey } from '../../usecases/places.ts';
import { unlessTaken } from '../../usecases/unless-taken.ts';
import type { Handlers, Named } from '../reply.ts';
import { versionTag } from '../../serializers/version-tag.ts';

/** Spots of pages: added, changed, removed. */
export function spotHandlers(deps: Deps): Handlers<Named<'spots'>> {
  const { db } = deps.connection;
  const reply = async (key: string, status = 200) => {
    const found = await spotByKey(db, key);
    return { status, data: serializeSpot(pageKeyOf(found), found.spot), etag: versionTag(found.spot) };
  };
  return {
    'spots.create': async ({ body, actor }) => {
      const { site, path, spot } = parsePlace(body.key);
      const { page } = await pageByKey(db, `${site}/${path}`);
      await unlessTaken('spot', body.key, () => insertSpot(db, page.id, spot, body.widths, actor));
      return reply(body.key, 201);
    },
    'spots.read': ({ params }) => reply(params.spot),
    'spots.change': async ({ params, body, matchState }) => {
      const { spot } = await spotByKey(db, params.spot);
      matchState(versionTag(spot), 'spot');
      if (!(await changeSpot(db, spot, body.widths)))
        throw new OrbisError('if-match-stale', { what: 'spot' });
      return reply(params.spot);
    },
    'spots.delete': async ({ params, matchState }) => {
      const { spot } = await spotByKey(db, params.spot);
      matchState(versionTag(spot), 'spot');
      if (await wasPlaced(db, spot.id))
        throw new OrbisError('in-use', {
          what: 'spot',
          key: params.spot,
          by: 'the register keeps what was placed in it',
        });
      await deleteSpot(db, spot.id);
      return { data: undefined, status: 204 };
    },
  };
}
