import { daysTold, type AskEvent } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { serializeHost, serializeResource } from '../../serializers/loaded.ts';
import { listHosts, listResources } from '../../store/list-resources.ts';
import { askForNow, resourcesMeant } from '../../usecases/ask-now.ts';
import type { Handlers, Named } from '../reply.ts';
import { telling } from '../telling.ts';

/** What placed embeds load from elsewhere, and how it is answered. */
export function loadedHandlers(deps: Deps): Handlers<Named<'hosts' | 'resources'>> {
  const { db } = deps.connection;
  return {
    'hosts.list': async ({ query }) => {
      const since = new Date(deps.now().getTime() - daysTold * 86_400_000).toISOString().slice(0, 10);
      const { items, next } = await listHosts(db, { ...query, since });
      const { sheets } = deps.renderContext();
      return { data: { items: items.map((each) => serializeHost(each, sheets)), next } };
    },
    'resources.list': async ({ query: { host, embed, state, ...query } }) => {
      const of = await resourcesMeant(db, host === undefined ? { embed } : { host });
      const embedId = host !== undefined && embed !== undefined ? await resourcesMeant(db, { embed }) : {};
      const { items, next } = await listResources(db, { ...of, ...embedId, state }, query);
      return { data: { items: items.map(serializeResource), next } };
    },
    'resources.ask': ({ body, request, signal }) => {
      const options = { log: deps.log, request, signal, failed: 'asking failed' };
      const work = async (tell: (event: AskEvent) => void): Promise<AskEvent> => ({
        done: await askForNow(body, deps, { tell, signal }),
      });
      return Promise.resolve({ events: telling(options, work) });
    },
  };
}
