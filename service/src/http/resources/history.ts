import type { Deps } from '../../deps.ts';
import { serializeHappened } from '../../serializers/history.ts';
import { listHistory, type HistoryOf } from '../../store/history.ts';
import { afterId, keyset } from '../../store/pages.ts';
import { embedByKey } from '../../usecases/embeds.ts';
import { pageByKey, siteByKey } from '../../usecases/places.ts';
import type { Handlers, Named } from '../reply.ts';

/** What was done to things, and how sweeps saw them change. */
export function historyHandlers(deps: Deps): Handlers<Named<'history'>> {
  const { db } = deps.connection;
  const list = async (of: HistoryOf, { limit, after }: { limit: number; after?: string | undefined }) => {
    const rows = await listHistory(db, of, { limit, before: afterId(after) });
    return { data: keyset(rows, limit, serializeHappened) };
  };
  return {
    'history.ofEmbed': async ({ params, query }) =>
      list({ embedId: (await embedByKey(db, params.embed)).embed.id }, query),
    'history.ofPage': async ({ params, query }) =>
      list({ pageId: (await pageByKey(db, params.page)).page.id }, query),
    'history.ofSite': async ({ params, query }) =>
      list({ siteId: (await siteByKey(db, params.site)).id }, query),
  };
}
