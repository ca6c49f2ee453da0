import { placementDaysTold } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { groupBy } from '../../store/group.ts';
import { outOfDateAges, placementDays } from '../../store/placement-days.ts';
import { siteByKey } from '../../usecases/places.ts';
import { thirdPartiesOf } from '../../usecases/third-parties.ts';
import type { Handlers, Named } from '../reply.ts';

/** What is placed as a whole: whom browsers contact for it, and how it was day by day. */
export function thirdPartyHandlers(deps: Deps): Handlers<Named<'thirdParties' | 'placementDays'>> {
  const { db } = deps.connection;
  return {
    'thirdParties.read': async ({ query: { site } }) => {
      const siteId = site === undefined ? null : (await siteByKey(db, site)).id;
      const parties = await thirdPartiesOf(db, siteId, deps.renderContext().sheets);
      return { data: { site: site ?? null, parties } };
    },
    'placementDays.read': async ({ query: { site } }) => {
      const siteId = site === undefined ? undefined : (await siteByKey(db, site)).id;
      const since = new Date(deps.now().getTime() - placementDaysTold * 86_400_000)
        .toISOString()
        .slice(0, 10);
      const days = groupBy(await placementDays(db, siteId, since), ({ day }) => day);
      const ages = await outOfDateAges(db, siteId);
      return {
        data: {
          outOfDate: Object.fromEntries(ages.map(({ age, count }) => [age, count])),
          days: [...days].map(([day, rows]) => ({
            day,
            counts: Object.fromEntries(rows.map(({ state, count }) => [state, count])),
          })),
        },
      };
    },
  };
}
