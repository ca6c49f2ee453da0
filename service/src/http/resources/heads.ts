import type { Deps } from '../../deps.ts';
import { serializeHead, serializeHeadDelivery } from '../../serializers/site-heads.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import { keyset } from '../../store/pages.ts';
import { countStale } from '../../store/stale.ts';
import { listHeadDeliveries } from '../../store/site-heads.ts';
import { siteByKey } from '../../usecases/places.ts';
import { changeHead, deliverHead, headOf } from '../../usecases/site-head.ts';
import { pagesAtOnce, planNext, planTools } from '../../usecases/planning.ts';
import type { Handlers, Named } from '../reply.ts';

/** The heads of whole sites: what belongs there, chosen and handed out. */
export function headHandlers(deps: Deps): Handlers<Named<'heads' | 'headDeliveries'>> {
  const { db } = deps.connection;
  const reply = async (key: string) => {
    const site = await siteByKey(db, key);
    await planNext(pagesAtOnce, planTools(deps));
    const [head, waiting] = [await headOf(db, site), await countStale(db)];
    return { data: serializeHead(key, head, waiting), etag: versionTag(site) };
  };
  return {
    'heads.read': ({ params }) => reply(params.site),
    'heads.change': async ({ params, body, matchState, actor }) => {
      await changeHead(db, params.site, body, matchState, actor);
      return reply(params.site);
    },
    'headDeliveries.create': async ({ params, actor }) => {
      const { issued, isNew } = await deliverHead(db, params.site, actor);
      return { status: isNew ? 201 : 200, data: serializeHeadDelivery(params.site, issued) };
    },
    'headDeliveries.list': async ({ params, query }) => {
      const site = await siteByKey(db, params.site);
      const rows = await listHeadDeliveries(db, site.id, query.limit, query.after);
      return { data: keyset(rows, query.limit, (row) => serializeHeadDelivery(params.site, row)) };
    },
  };
}
