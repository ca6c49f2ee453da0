import type { LookEvent } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { serializeLook, serializeWeight } from '../../serializers/looks.ts';
import { heaviestLooks, listLooks } from '../../store/looks.ts';
import { lookById, pictureOfLook } from '../../usecases/looks.ts';
import { pageByKey, siteByKey } from '../../usecases/places.ts';
import { takeLook } from '../../usecases/take-look.ts';
import type { Handlers, Named } from '../reply.ts';
import { telling } from '../telling.ts';

/** What browsers saw of published pages, kept with pictures. */
export function lookHandlers(deps: Deps): Handlers<Named<'looks'>> {
  const { db } = deps.connection;
  return {
    'looks.take': async ({ params, body, request, signal }) => {
      // Whoever names a page that is not there is told so at once.
      await pageByKey(db, params.page);
      const options = { log: deps.log, request, signal, failed: 'a look at a page failed' };
      const work = async (tell: (event: LookEvent) => void): Promise<LookEvent> => ({
        done: await takeLook({ ...params, ...body }, deps, { tell, signal }),
      });
      return { events: telling(options, work) };
    },
    'looks.list': async ({ params, query }) => {
      const { page } = await pageByKey(db, params.page);
      const { items, next } = await listLooks(db, page.id, query);
      return { data: { items: items.map(serializeLook), next } };
    },
    'looks.heaviest': async ({ query: { site, limit } }) => {
      const siteId = site === undefined ? undefined : (await siteByKey(db, site)).id;
      return { data: { items: (await heaviestLooks(db, siteId, limit)).map(serializeWeight) } };
    },
    'looks.read': async ({ params }) => ({ data: serializeLook(await lookById(db, params.look)) }),
    'looks.picture': ({ params }) => pictureOfLook(params, deps),
  };
}
