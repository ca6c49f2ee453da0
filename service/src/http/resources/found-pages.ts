import { OrbisError, type PageSearchEvent } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { importPages } from '../../usecases/import-pages.ts';
import { findPages } from '../../usecases/page-search/find-pages.ts';
import { problemOf } from '../problems.ts';
import { progressOf } from '../progress.ts';
import type { Handlers, Named } from '../reply.ts';

/** Pages of a site, many at once: found, and added. */
export function foundPageHandlers(deps: Deps): Handlers<Named<'pageSearches' | 'pageImports'>> {
  return {
    'pageSearches.create': ({ params, body, request, signal }) => {
      const work = async (tell: (event: PageSearchEvent) => void): Promise<PageSearchEvent> => {
        try {
          return { done: await findPages(params.site, body, deps, { tell, signal }) };
        } catch (error) {
          const isOurs = error instanceof OrbisError;
          if (!isOurs && !signal.aborted) deps.log.error({ err: error, request }, 'search for pages failed');
          const told = isOurs ? error : new OrbisError('internal', { request });
          return { problem: problemOf(told, `urn:request:${request}`) };
        }
      };
      return Promise.resolve({ events: progressOf(work) });
    },
    'pageImports.create': async ({ params, body, actor }) => ({
      data: await importPages(deps.connection.db, params.site, body.pages, actor),
    }),
  };
}
