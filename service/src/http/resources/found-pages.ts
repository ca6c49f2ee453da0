import type { PageSearchEvent } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { importPages } from '../../usecases/import-pages.ts';
import { findPages } from '../../usecases/page-search/find-pages.ts';
import type { Handlers, Named } from '../reply.ts';
import { telling } from '../telling.ts';

/** Pages of a site, many at once: found, and added. */
export function foundPageHandlers(deps: Deps): Handlers<Named<'pageSearches' | 'pageImports'>> {
  return {
    'pageSearches.create': ({ params, body, request, signal }) => {
      const options = { log: deps.log, request, signal, failed: 'search for pages failed' };
      const work = async (tell: (event: PageSearchEvent) => void): Promise<PageSearchEvent> => ({
        done: await findPages(params.site, body, deps, { tell, signal }),
      });
      return Promise.resolve({ events: telling(options, work) });
    },
    'pageImports.create': async ({ params, body, actor }) => ({
      data: await importPages(deps.connection.db, params.site, body.pages, actor),
    }),
  };
}
