import { z } from '../zod.ts';
import { listQuery } from '../common.ts';
import { lists } from '../resources.ts';
import { savedSearch, searchName } from '../saved-searches.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Register';
const params = z.object({ search: searchName });

/** Searches of the register that are kept under names. */
export const savedSearchRoutes = {
  'savedSearches.list': route({
    ...paths['savedSearches.list'],
    summary: 'Searches of the register that are kept, in the order of keeping',
    tag,
    query: listQuery,
    answer: lists.savedSearches,
    statuses: [200],
    errors: [],
  }),
  'savedSearches.read': route({
    ...paths['savedSearches.read'],
    summary: 'One search that is kept',
    tag,
    params,
    answer: savedSearch,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'savedSearches.save': route({
    ...paths['savedSearches.save'],
    summary: 'Keep a search of the register under a name',
    tag,
    params,
    ifMatch: true,
    body: z.strictObject({
      where: z.string().trim().max(2000).meta({
        description: 'A value for each field, all of which must hold; empty for everything',
        example: 'state=out-of-date site=hollinfell',
      }),
    }),
    answer: savedSearch,
    statuses: [200, 201],
    etag: true,
    location: ({ name: search }) => pathOf('savedSearches.read', { search }),
    errors: ['search-invalid'],
  }),
  'savedSearches.remove': route({
    ...paths['savedSearches.remove'],
    summary: 'Keep a search no more',
    tag,
    params,
    ifMatch: true,
    statuses: [204],
    errors: ['not-found'],
  }),
};
