import type { Deps } from '../../deps.ts';
import { siteByKey } from '../../usecases/places.ts';
import { thirdPartiesOf } from '../../usecases/third-parties.ts';
import type { Handlers, Named } from '../reply.ts';

/** Whom browsers contact for what is placed. */
export function thirdPartyHandlers(deps: Deps): Handlers<Named<'thirdParties'>> {
  const { db } = deps.connection;
  return {
    'thirdParties.read': async ({ query: { site } }) => {
      const siteId = site === undefined ? null : (await siteByKey(db, site)).id;
      const parties = await thirdPartiesOf(db, siteId, deps.renderContext().sheets);
      return { data: { site: site ?? null, parties } };
    },
  };
}
