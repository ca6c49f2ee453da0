import type { SavedSearch } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { keyset } from '../../store/pages.ts';
import { listSavedSearches, type SavedSearchRow } from '../../store/saved-searches.ts';
import { removeSearch, savedSearchNamed, saveSearch, searchTag } from '../../usecases/saved-searches.ts';
import type { Handlers, Named } from '../reply.ts';

/** Searches of the register under names. */
export function savedSearchHandlers(deps: Deps): Handlers<Named<'savedSearches'>> {
  const { db } = deps.connection;
  const tell = ({ name, where, createdAt }: SavedSearchRow): SavedSearch => ({
    ...{ name, where, createdAt: createdAt.toISOString() },
  });
  return {
    'savedSearches.list': async ({ query }) => {
      const rows = await listSavedSearches(db, query.limit, query.after);
      return { data: keyset(rows, query.limit, tell) };
    },
    'savedSearches.read': async ({ params }) => {
      const row = await savedSearchNamed(db, params.search);
      return { data: tell(row), etag: searchTag(row) };
    },
    'savedSearches.save': async ({ params, body, matchState, actor }) => {
      const isNew = await saveSearch(db, { name: params.search, ...body }, matchState, actor);
      const row = await savedSearchNamed(db, params.search);
      return { status: isNew ? 201 : 200, data: tell(row), etag: searchTag(row) };
    },
    'savedSearches.remove': async ({ params, matchState, actor }) => {
      await removeSearch(db, params.search, matchState, actor);
      return { data: undefined, status: 204 };
    },
  };
}
