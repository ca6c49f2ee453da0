import { key, listQuery } from '../common.ts';
import { happenings } from '../history.ts';
import { pageKey, siteKey } from '../place.ts';
import { z } from '../zod.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Register';

/** What was done to things, and how sweeps saw them change. */
export const historyRoutes = {
  'history.ofEmbed': route({
    ...paths['history.ofEmbed'],
    summary: 'What happened to an embed, the newest first: what was done, and how it was seen to change',
    tag,
    params: z.object({ embed: key }),
    query: listQuery,
    answer: happenings,
    statuses: [200],
    errors: ['not-found'],
  }),
  'history.ofPage': route({
    ...paths['history.ofPage'],
    summary: 'What happened on a page, the newest first',
    tag,
    params: z.object({ page: pageKey }),
    query: listQuery,
    answer: happenings,
    statuses: [200],
    errors: ['not-found'],
  }),
  'history.ofSite': route({
    ...paths['history.ofSite'],
    summary: 'What happened on a site, the newest first',
    tag,
    params: z.object({ site: siteKey }),
    query: listQuery,
    answer: happenings,
    statuses: [200],
    errors: ['not-found'],
  }),
};
