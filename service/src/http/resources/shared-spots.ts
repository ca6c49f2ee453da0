import type { Deps } from '../../deps.ts';
import { serializeSharedSpot } from '../../serializers/places.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import { keyset } from '../../store/pages.ts';
import { listSharedSpots, type SiteSharedSpot } from '../../store/shared-spots.ts';
import { siteByKey } from '../../usecases/places.ts';
import {
  addSharedSpot,
  changeShared,
  removeShared,
  sharedSaid,
  sharedSpotByKey,
} from '../../usecases/shared-spots.ts';
import type { Handlers, Named } from '../reply.ts';

/** Spots that many pages of a site have. */
export function sharedSpotHandlers(deps: Deps): Handlers<Named<'sharedSpots'>> {
  const { db } = deps.connection;
  const tell = ({ site, shared }: SiteSharedSpot) => serializeSharedSpot(site, shared);
  const reply = async (key: string, status = 200) => {
    const found = await sharedSpotByKey(db, key);
    return { status, data: tell(found), etag: versionTag(found.shared) };
  };
  return {
    'sharedSpots.list': async ({ query }) => {
      const siteId = query.site === undefined ? null : (await siteByKey(db, query.site)).id;
      return { data: keyset(await listSharedSpots(db, siteId, query.limit, query.after), query.limit, tell) };
    },
    'sharedSpots.create': async ({ body: { key, takesIn, ...values }, actor }) => {
      await addSharedSpot(db, { key, values: sharedSaid(values), takesIn }, actor);
      return reply(key, 201);
    },
    'sharedSpots.read': ({ params }) => reply(params.shared),
    'sharedSpots.change': async ({ params: { shared: key }, body, matchState, actor }) => {
      await changeShared(db, { key, values: sharedSaid(body) }, matchState, actor);
      return reply(key);
    },
    'sharedSpots.delete': async ({ params, matchState, actor }) => {
      await removeShared(db, params.shared, matchState, actor);
      return { data: undefined, status: 204 };
    },
  };
}
